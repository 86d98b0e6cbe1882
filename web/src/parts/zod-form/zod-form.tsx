import { Form, type FormInstance } from 'antd'
import { createContext, useContext, useEffect, type ReactElement, type ReactNode } from 'react'
import type { z } from 'zod'
import { fieldMessage, type Failure } from '../../app/failure.ts'

/** What a field has to be: the same words the server would answer with. */
const ruleOf = (field: z.ZodType | undefined) => ({
  validator: (_: unknown, value: unknown): Promise<void> => {
    const read = field?.safeParse(value)
    const issue = read?.success === false ? read.error.issues[0] : undefined
    return issue ? Promise.reject(new Error(issue.message)) : Promise.resolve()
  },
})

const SchemaOf = createContext<z.ZodObject | null>(null)

/**
 * A form whose fields are checked by a schema of the contract as they are left, and that shows what the server says of
 * each at its field. What is typed stays whatever happens.
 */
export function ZodForm<S extends z.ZodObject>({
  schema,
  form,
  failure,
  initial,
  className,
  onSubmit,
  children,
}: {
  schema: S
  form?: FormInstance | undefined
  failure: Failure | undefined
  initial?: Partial<z.input<S>>
  className?: string
  onSubmit: (values: z.input<S>) => void
  children: ReactNode
}) {
  const [own] = Form.useForm()
  const used = form ?? own
  useEffect(() => {
    for (const name of Object.keys(schema.shape)) {
      const told = fieldMessage(failure, name)
      if (told !== undefined) used.setFields([{ name, errors: [told] }])
    }
  }, [failure, schema, used])
  return (
    <SchemaOf.Provider value={schema}>
      <Form
        form={used}
        layout="vertical"
        requiredMark={false}
        validateTrigger="onBlur"
        className={className}
        initialValues={initial as Record<string, unknown>}
        onFinish={(values: z.input<S>) => onSubmit(values)}
      >
        {children}
      </Form>
    </SchemaOf.Provider>
  )
}

/** One field of the form, by its name in the schema. */
export function ZodField({ name, label, children }: { name: string; label: string; children: ReactElement }) {
  const schema = useContext(SchemaOf)
  return (
    <Form.Item name={name} label={label} rules={[ruleOf(schema?.shape[name] as z.ZodType | undefined)]}>
      {children}
    </Form.Item>
  )
}

/** Names of fields that are still blank, in the words given. */
export function useStillNeeded(form: FormInstance, words: Readonly<Record<string, string>>): string[] {
  const typed = (Form.useWatch([], form) ?? {}) as Record<string, unknown>
  return Object.entries(words).flatMap(([name, said]) => {
    const value = typed[name]
    return typeof value === 'string' && value.trim() !== '' ? [] : [said]
  })
}

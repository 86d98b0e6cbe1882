import { Form } from 'antd'
import { cloneElement, useId, type ReactElement } from 'react'
import '../fields/entry.css'

/** An input of a form with its label and its error below, where the person looks. */
export function FormField({
  label,
  error,
  children,
}: {
  label: string
  error?: string | undefined
  children: ReactElement<{ id?: string }>
}) {
  const id = useId()
  return (
    <Form.Item
      layout="vertical"
      label={label}
      htmlFor={id}
      {...(error === undefined ? {} : { validateStatus: 'error' as const })}
    >
      {cloneElement(children, { id })}
      {/* Shown with the key that made it wrong: its own help comes later. */}
      {error === undefined ? null : (
        <span role="alert" className="field-error">
          {error}
        </span>
      )}
    </Form.Item>
  )
}

import { Form } from 'antd'
import { cloneElement, useId, type ReactElement } from 'react'
import './entry.css'

/** A labelled input with its error below, where the person looks. */
export function Field({
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

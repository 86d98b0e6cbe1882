import type { ReactNode } from 'react'
import './entry.css'

/** A labelled input with its error below, where the person looks. */
export function Field({ label, error, children }: { label: string; error?: string | undefined; children: ReactNode }) {
  return (
    <label>
      {label}
      {children}
      {error === undefined ? null : (
        <span role="alert" className="field-error">
          {error}
        </span>
      )}
    </label>
  )
}

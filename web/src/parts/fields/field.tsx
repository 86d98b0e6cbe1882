import type { ReactNode } from 'react'
import './entry.css'

/** A labelled input that stands by itself, as on a visit: the walk loads no form for it. */
export function Field({ label, children }: { label: string; children: ReactNode }) {
  return (
    <label>
      {label}
      {children}
    </label>
  )
}

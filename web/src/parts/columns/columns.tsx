import type { CSSProperties, ReactNode } from 'react'
import './columns.css'

/**
 * Columns beside each other, below one another where the screen is narrow.
 * @param of widths: a number is a share of what is left, a text a length as CSS has it
 * @param lastFirst where they stand below one another the last comes first
 */
export function Columns({
  of,
  lastFirst = false,
  className = '',
  children,
}: {
  of: readonly (number | string)[]
  lastFirst?: boolean
  className?: string
  children: ReactNode
}) {
  const columns = of.map((w) => `minmax(0, ${typeof w === 'number' ? `${w}fr` : w})`).join(' ')
  return (
    <div
      className={`columns${lastFirst ? ' columns-last-first' : ''} ${className}`}
      style={{ '--columns': columns } as CSSProperties}
    >
      {children}
    </div>
  )
}

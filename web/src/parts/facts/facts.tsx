import { Descriptions } from 'antd'
import type { ReactNode } from 'react'

/** What is known of a thing, a line a fact: its name and what it is. */
export function Facts({
  rows,
  columns = 1,
}: {
  rows: readonly (readonly [name: string, fact: ReactNode])[]
  /** Side by side on a wide screen; one below another on a phone. */
  columns?: 1 | 2
}) {
  return (
    <Descriptions
      column={{ xs: 1, sm: 1, md: 1, lg: columns }}
      styles={{ label: { width: 150 } }}
      size="small"
      colon={false}
      items={rows.map(([label, children], key) => ({ key, label, children }))}
    />
  )
}

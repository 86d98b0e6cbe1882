import { Descriptions } from 'antd'
import type { ReactNode } from 'react'

const figureStyles = { content: { textAlign: 'right', fontSize: 20, fontWeight: 600 } } as const

/** What is known of a thing, a line a fact: its name and what it is. */
export function Facts({
  rows,
  columns = 1,
  figures = false,
}: {
  rows: readonly (readonly [name: string, fact: ReactNode])[]
  /** Side by side on a wide screen; one below another on a phone. */
  columns?: 1 | 2
  /** Results: large, at the right. */
  figures?: boolean
}) {
  return (
    <Descriptions
      column={{ xs: 1, sm: 1, md: 1, lg: columns }}
      styles={figures ? figureStyles : { label: { width: 150 } }}
      bordered={figures}
      size="small"
      colon={false}
      items={rows.map(([label, children], key) => ({ key, label, children }))}
    />
  )
}

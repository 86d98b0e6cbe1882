import { Table, type TableColumnsType, type TableProps } from 'antd'
import { useRef, type HTMLAttributes } from 'react'
import { useNarrow } from '../../app/use-narrow.ts'
import { SaveTable } from './save-table.tsx'
import './data-table.css'

/** Each cell with the name of its column, for where the head is not shown. */
function named<T>(columns: TableColumnsType<T>): TableColumnsType<T> {
  return columns.map((c) => {
    // What the row is about needs no name.
    if ('children' in c || c.rowScope === 'row' || typeof c.title !== 'string' || c.title === '') return c
    const cell: HTMLAttributes<unknown> & { readonly 'data-label': string } = { 'data-label': c.title }
    return { ...c, onCell: () => cell }
  })
}

/** A table of records: sorted by its heads, keyboard and screen reader as Ant Design has them, without pages. */
export function DataTable<T extends object>({
  label,
  stacked = false,
  className = '',
  columns,
  ...props
}: TableProps<T> & {
  readonly label: string
  readonly columns: TableColumnsType<T>
  /** On a phone a row is a block of its own, so that nothing of it lies beside the page. */
  readonly stacked?: boolean
}) {
  const narrow = useNarrow()
  const stack = narrow && stacked
  const root = useRef<HTMLDivElement>(null)
  const some = (props.dataSource?.length ?? 0) > 0
  return (
    <>
      <div ref={root} className="scroll-x data-table" role="region" aria-label={label} tabIndex={0}>
        <Table<T>
          pagination={false}
          size="small"
          showSorterTooltip={false}
          className={stack ? `${className} stacked-table` : className}
          {...(stack ? { showHeader: false } : {})}
          columns={stack ? named(columns) : columns}
          {...props}
        />
      </div>
      {narrow || !some ? null : <SaveTable name={label} root={root} />}
    </>
  )
}

/** Sort by a text; blanks last. */
export const byText =
  <T,>(of: (row: T) => string) =>
  (a: T, b: T) =>
    of(a).localeCompare(of(b), 'en', { numeric: true })
/** Sort by a figure; none is lowest. */
export const byNumber =
  <T,>(of: (row: T) => number | null) =>
  (a: T, b: T) =>
    (of(a) ?? -Infinity) - (of(b) ?? -Infinity)

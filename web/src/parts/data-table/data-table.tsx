import { Table, type TableProps } from 'antd'
import './data-table.css'

/** A table of records: sorted by its heads, keyboard and screen reader as Ant Design has them, without pages. */
export function DataTable<T extends object>({ label, ...props }: TableProps<T> & { readonly label: string }) {
  return (
    <div className="scroll-x data-table" role="region" aria-label={label} tabIndex={0}>
      <Table<T> pagination={false} size="small" showSorterTooltip={false} {...props} />
    </div>
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

import type { TableBody, TableFormat } from '@motor-round/contract'
import { stringify } from 'csv-stringify/sync'
import { offThread } from '../run/off-thread.ts'

/** RFC 4180; text that a spreadsheet would run as a formula gets a leading quote. */
const csv = ({ columns, rows }: TableBody): Buffer =>
  Buffer.from(stringify([columns, ...rows], { record_delimiter: '\r\n', escape_formulas: true, bom: true }))

const types = {
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  csv: 'text/csv; charset=utf-8',
} as const

/** A table as a file, with its name and type. */
export async function tableFile(
  table: TableBody,
  format: TableFormat,
): Promise<{ readonly type: string; readonly name: string; readonly body: Buffer }> {
  const plain = table.name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
  return {
    type: types[format],
    name: `${plain === '' ? 'table' : plain}.${format}`,
    body: format === 'xlsx' ? Buffer.from(await offThread('drawXlsx', table)) : csv(table),
  }
}

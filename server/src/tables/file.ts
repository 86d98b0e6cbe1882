import type { TableBody, TableFormat } from '@motor-round/contract'
import { stringify } from 'csv-stringify/sync'
import ExcelJS from 'exceljs'

const widest = 60

/** A table as a workbook: its head stays in sight and filters, figures are figures. */
async function xlsx({ name, columns, rows }: TableBody): Promise<Buffer> {
  const book = new ExcelJS.Workbook()
  book.creator = 'Motor Round'
  // What a sheet may not be called, and no more than 31 characters.
  const sheet = book.addWorksheet(
    name
      .replace(/[\\/*?:[\]']/g, ' ')
      .slice(0, 31)
      .trim() || 'Table',
    {
      views: [{ state: 'frozen', ySplit: 1 }],
    },
  )
  sheet.columns = columns.map((header, i) => ({
    header,
    width: Math.min(widest, Math.max(header.length, ...rows.slice(0, 500).map((r) => String(r[i] ?? '').length)) + 2),
  }))
  sheet.getRow(1).font = { bold: true }
  for (const row of rows) sheet.addRow(row)
  sheet.autoFilter = { from: { row: 1, column: 1 }, to: { row: 1, column: columns.length } }
  return Buffer.from(await book.xlsx.writeBuffer())
}

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
    body: format === 'xlsx' ? await xlsx(table) : csv(table),
  }
}

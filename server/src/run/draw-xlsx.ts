import type { TableBody } from '@motor-round/contract'
import ExcelJS from 'exceljs'

const widest = 60

/** A table as a workbook: its head stays in sight and filters, figures are figures. */
export async function drawXlsx({ name, columns, rows }: TableBody): Promise<Uint8Array> {
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
  return new Uint8Array(await book.xlsx.writeBuffer())
}

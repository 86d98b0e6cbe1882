import type { Content } from 'pdfmake/interfaces.js'
import { offThread } from '../run/off-thread.ts'
import type { PdfDocument } from '../run/draw-pdf.ts'
import type { RoundRecord } from './record.ts'

export const levelWords = { ok: 'OK', watch: 'Watch', fix: 'Fix', stop: 'Stop' } as const

const levelColors = { ok: '#1c5e42', watch: '#704800', fix: '#93290b', stop: '#5e0b27' } as const

export type Level = keyof typeof levelWords

export const level = (l: Level | null): Content =>
  l === null ? { text: 'not seen' } : { text: levelWords[l], bold: true, color: levelColors[l] }

export const heading = (text: string): Content => ({ text, bold: true, fontSize: 12, margin: [0, 8, 0, 3] })

export const cell = (text: string): Content => ({ text })

/** The layout of tables: thin lines between rows, none between columns. */
export const lines = 'lines'

/** A table of texts under a head that comes again on every page. */
export const table = (
  widths: (string | number)[],
  head: readonly string[],
  rows: readonly (readonly string[])[],
): Content => ({
  layout: lines,
  table: {
    headerRows: 1,
    widths,
    body: [head.map((text): Content => ({ text, bold: true })), ...rows.map((r) => r.map((text) => cell(text)))],
  },
})

export const document = (title: string, by: string, content: Content[], paper: RoundRecord['paper']): PdfDocument => ({
  title,
  by,
  content,
  paper,
})

/** The file, and how many pages it came to. */
export async function drawn(d: PdfDocument): Promise<{ readonly bytes: Buffer; readonly pages: number }> {
  const { bytes, pages } = await offThread('drawPdf', d)
  return { bytes: Buffer.from(bytes), pages }
}

export const bytes = async (d: PdfDocument): Promise<Buffer> => (await drawn(d)).bytes

import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import pdfmake from 'pdfmake'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js'
import type { RoundRecord } from './record.ts'

const fonts = join(dirname(createRequire(import.meta.url).resolve('pdfmake/package.json')), 'build/fonts/Roboto')

let ready = false

function prepare() {
  if (ready) return
  pdfmake.setFonts({
    Roboto: {
      normal: join(fonts, 'Roboto-Regular.ttf'),
      bold: join(fonts, 'Roboto-Medium.ttf'),
      italics: join(fonts, 'Roboto-Italic.ttf'),
      bolditalics: join(fonts, 'Roboto-MediumItalic.ttf'),
    },
  })
  // Nothing is fetched for a report, and of files only the fonts are read.
  pdfmake.setUrlAccessPolicy(() => false)
  pdfmake.setLocalAccessPolicy((path: string) => path.startsWith(fonts))
  ready = true
}

export const levelWords = { ok: 'OK', watch: 'Watch', fix: 'Fix', stop: 'Stop' } as const

const levelColors = { ok: '#1c5e42', watch: '#704800', fix: '#93290b', stop: '#5e0b27' } as const

export type Level = keyof typeof levelWords

export const level = (l: Level | null): Content =>
  l === null ? { text: 'not seen' } : { text: levelWords[l], bold: true, color: levelColors[l] }

export const heading = (text: string): Content => ({ text, bold: true, fontSize: 12, margin: [0, 8, 0, 3] })

export const cell = (text: string): Content => ({ text })

export const lines = { hLineColor: () => '#c5cdd1', vLineWidth: () => 0, hLineWidth: () => 0.6 }

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

export const document = (
  title: string,
  by: string,
  content: Content[],
  paper: RoundRecord['paper'],
  pages: (count: number) => void = () => undefined,
): TDocumentDefinitions => ({
  pageSize: paper === 'A4' ? 'A4' : 'LETTER',
  pageMargins: [40, 36, 40, 40],
  info: { title, creator: 'Motor Round', producer: 'Motor Round' },
  defaultStyle: { font: 'Roboto', fontSize: 9, lineHeight: 1.15 },
  footer: (now, of) => {
    pages(of)
    return { text: `${title} · ${by} · ${now} of ${of}`, margin: [40, 8], fontSize: 8, color: '#3a464d' }
  },
  content,
})

export const bytes = async (d: TDocumentDefinitions): Promise<Buffer> => {
  prepare()
  return pdfmake.createPdf(d).getBuffer()
}

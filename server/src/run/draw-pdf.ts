import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import pdfmake from 'pdfmake'
import type { Content } from 'pdfmake/interfaces.js'

/** A document as plain data, so that it can be handed to another thread. Tables may have the layout `lines`. */
export interface PdfDocument {
  readonly title: string
  /** Stands in the footer behind the title. */
  readonly by: string
  readonly content: Content[]
  readonly paper: 'letter' | 'A4'
}

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
  pdfmake.setTableLayouts({ lines: { hLineColor: () => '#c5cdd1', vLineWidth: () => 0, hLineWidth: () => 0.6 } })
  // Nothing is fetched for a report, and of files only the fonts are read.
  pdfmake.setUrlAccessPolicy(() => false)
  pdfmake.setLocalAccessPolicy((path: string) => path.startsWith(fonts))
  ready = true
}

/** Draw a document. @returns the file and its number of pages */
export async function drawPdf({
  title,
  by,
  content,
  paper,
}: PdfDocument): Promise<{ readonly bytes: Uint8Array; readonly pages: number }> {
  prepare()
  let pages = 0
  const made = pdfmake.createPdf({
    pageSize: paper === 'A4' ? 'A4' : 'LETTER',
    pageMargins: [40, 36, 40, 40],
    info: { title, creator: 'Motor Round', producer: 'Motor Round' },
    defaultStyle: { font: 'Roboto', fontSize: 9, lineHeight: 1.15 },
    footer: (now, of) => {
      pages = of
      return { text: `${title} · ${by} · ${now} of ${of}`, margin: [40, 8], fontSize: 8, color: '#3a464d' }
    },
    content,
  })
  const bytes = await made.getBuffer()
  return { bytes, pages }
}

/** What takes so long that nobody should wait behind it: run by a thread of its own, see `offThread`. Plain data in, plain data out. */
export { drawPdf } from './draw-pdf.ts'
export { drawXlsx } from './draw-xlsx.ts'

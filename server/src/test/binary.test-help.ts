import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import type { Caller } from './world.ts'

/** A file of the API, as its bytes. */
export async function binaryOf(who: Caller, path: string): Promise<Buffer> {
  const r = await who
    .get(path)
    .buffer(true)
    .parse((res, done) => {
      const parts: Buffer[] = []
      res.on('data', (b: Buffer) => parts.push(b))
      res.on('end', () => done(null, Buffer.concat(parts)))
    })
  if (r.status !== 200) throw new Error(`${path}: ${r.status}`)
  return r.body as Buffer
}

/** The text of a PDF, page by page, by a reader that has nothing to do with what wrote it. */
export async function pagesOf(pdf: Buffer): Promise<string[]> {
  const file = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise
  const out: string[] = []
  for (let i = 1; i <= file.numPages; i++) {
    const { items } = await (await file.getPage(i)).getTextContent()
    out.push(
      items
        .map((x) => ('str' in x ? x.str : ''))
        .join(' ')
        .replace(/\s+/g, ' '),
    )
  }
  await file.destroy()
  return out
}

import { Readable } from 'node:stream'
import Papa from 'papaparse'

/** A batch of rows with the line each starts on; the header is already taken off. */
export interface Batch {
  readonly rows: readonly (readonly string[])[]
  readonly lines: readonly number[]
}

export interface Header {
  readonly delimiter: string
  readonly columns: readonly string[]
}

/** The file as a whole cannot be read: at that line, for that reason. */
export class FileProblem extends Error {
  readonly line: number
  readonly column: string
  constructor(line: number, column: string, message: string) {
    super(message)
    this.line = line
    this.column = column
  }
}

/** The separator that splits the first line into the most cells: comma, semicolon or tab. */
export function guessDelimiter(firstLine: string): string {
  const outside = firstLine.replace(/"[^"]*"/g, '')
  const counts = [',', ';', '\t'].map((d) => [d, outside.split(d).length] as const)
  return counts.reduce((a, b) => (b[1] > a[1] ? b : a))[0]
}

/** Undo what an export did to text that a spreadsheet would take for a formula. */
export const plain = (cell: string): string =>
  cell.startsWith("'") && /^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell

interface Sink {
  readonly header: (header: Header) => void
  readonly batch: (batch: Batch) => Promise<void>
  readonly bytes: (soFar: number) => void
}

/**
 * Read a CSV stream (RFC 4180; also `;` and tab, CRLF, byte order mark) in batches, without holding the file.
 * @throws FileProblem when the text is not UTF-8, empty, or a quote is never closed
 */
export async function readRows(source: Readable, sink: Sink): Promise<void> {
  const decoder = new TextDecoder('utf-8', { fatal: true, ignoreBOM: false })
  let bytes = 0
  let quoted = false
  let line = 1

  async function* text(): AsyncGenerator<string> {
    for await (const chunk of source) {
      const buffer = Buffer.isBuffer(chunk) ? chunk : Buffer.from(String(chunk))
      bytes += buffer.length
      sink.bytes(bytes)
      try {
        const part = decoder.decode(buffer, { stream: true })
        if (!quoted && part.includes('"')) quoted = true
        if (part !== '') yield part
      } catch {
        throw new FileProblem(line, '', 'The file is not UTF-8 text. Save it as "CSV UTF-8" and send it again.')
      }
    }
    try {
      const rest = decoder.decode()
      if (rest !== '') yield rest
    } catch {
      throw new FileProblem(line, '', 'The file ends in the middle of a character.')
    }
  }

  // The first line decides the separator, so it is read before the parser starts.
  const parts = text()
  let head = ''
  let ended = false
  while (!/[\r\n]/.test(head) && !ended) {
    const next = await parts.next()
    if (next.done) ended = true
    else head += next.value
    if (head.length > 1_000_000) throw new FileProblem(1, '', 'The first line is longer than a million characters.')
  }
  if (head.trim() === '') throw new FileProblem(1, '', 'The file is empty.')
  const delimiter = guessDelimiter(head.split(/\r\n|\n|\r/, 1)[0] ?? '')
  async function* whole(): AsyncGenerator<string> {
    yield head
    if (!ended) yield* parts
  }

  let header: Header | null = null
  const take = async (data: string[][], errors: Papa.ParseError[]) => {
    const lines: number[] = []
    const rows: string[][] = []
    for (const row of data) {
      const at = line
      line += 1
      if (quoted) for (const cell of row) if (cell.includes('\n')) line += cell.split('\n').length - 1
      if (row.length === 1 && row[0] === '') continue
      if (!header) {
        header = { delimiter, columns: row.map((c) => plain(c).trim().toLowerCase()) }
        sink.header(header)
        continue
      }
      rows.push(row)
      lines.push(at)
    }
    const quote = errors.find((e) => e.type === 'Quotes')
    if (quote) throw new FileProblem(line - 1, '', `A quote is out of place: ${quote.message.toLowerCase()}.`)
    if (rows.length > 0) await sink.batch({ rows, lines })
  }

  await new Promise<void>((resolve, reject) => {
    let failed = false
    const fail = (e: unknown) => {
      failed = true
      reject(e instanceof Error ? e : new Error(String(e)))
    }
    const stream = Readable.from(whole(), { objectMode: false, highWaterMark: 1 << 18 })
    Papa.parse<string[]>(stream, {
      delimiter,
      header: false,
      chunk: (results, parser) => {
        if (failed) return
        parser.pause()
        take(results.data, results.errors).then(
          () => parser.resume(),
          (e: unknown) => {
            // Told first: to abort ends the parse as if it were complete.
            fail(e)
            parser.abort()
            stream.destroy()
          },
        )
      },
      complete: () => {
        if (!failed) resolve()
      },
      error: (e: unknown) => fail(e),
    })
    stream.on('error', fail)
  })
}

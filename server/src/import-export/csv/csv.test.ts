import { Readable } from 'node:stream'
import { describe, expect, it } from 'vitest'
import { byClock } from '../../dates.ts'
import { copyText } from '../staging.ts'
import { instantReader } from './instants.ts'
import { FileProblem, guessDelimiter, plain, readRows } from './rows.ts'

async function rows(...chunks: (string | Buffer)[]) {
  const out: { header: readonly string[]; rows: string[][]; lines: number[] } = { header: [], rows: [], lines: [] }
  await readRows(Readable.from(chunks.map((c) => Buffer.from(c))), {
    header: (h) => (out.header = h.columns),
    batch: (b) => {
      out.rows.push(...b.rows.map((r) => [...r]))
      out.lines.push(...b.lines)
      return Promise.resolve()
    },
    bytes: () => undefined,
  })
  return out
}
const problem = async (...chunks: (string | Buffer)[]): Promise<FileProblem> => {
  try {
    await rows(...chunks)
  } catch (e) {
    if (e instanceof FileProblem) return e
    throw e
  }
  throw new Error('it was read')
}

describe('rows of a file (RFC 4180)', () => {
  it('with CRLF, a byte order mark, quotes, and a chunk cut in the middle of a character', async () => {
    const text = Buffer.from('\uFEFFa,b\r\n"x, ""y""",°C\r\n1,2\r\n')
    const read = await rows(text.subarray(0, 19), text.subarray(19))
    expect(read.header).toEqual(['a', 'b'])
    expect(read.rows).toEqual([
      ['x, "y"', '°C'],
      ['1', '2'],
    ])
  })
  it('with LF alone', async () => expect((await rows('a,b\n1,2\n')).rows).toEqual([['1', '2']]))
  it('know the line each starts on, over quoted line breaks and empty lines', async () => {
    const read = await rows('a,b\n"two\nlines",1\n\nlast,2\n')
    expect(read.lines).toEqual([2, 5])
  })
  it.each([
    ['a,b,c', ','],
    ['a;b;c', ';'],
    ['a\tb\tc', '\t'],
    ['"a,b,c";d', ';'],
  ])('are split where %j is', (line, delimiter) => expect(guessDelimiter(line)).toBe(delimiter))
  it('are refused as a whole when the file is empty, no UTF-8, or a quote stays open', async () => {
    expect((await problem('')).message).toContain('empty')
    expect((await problem('a,b\n', Buffer.from([0xff, 0xfe, 0x41]))).message).toContain('not UTF-8')
    expect((await problem('a,b\n', Buffer.from([0xc2]))).message).toContain('middle of a character')
    const quote = await problem('a,b\n1,"2\n3,4\n')
    expect(quote.message).toContain('quote')
    expect(quote.line).toBeGreaterThanOrEqual(2)
  })
  it('give text back as it was before a spreadsheet was kept from running it', () => {
    expect(["'=1+1", "'@x", "'-3", "it's", "'quoted'"].map(plain)).toEqual(['=1+1', '@x', '-3', "it's", "'quoted'"])
  })
})

describe('dates of a file', () => {
  const ms = (text: string, zone: string | null = null) => {
    const r = instantReader(zone)(text)
    return r.kind === 'instant' ? new Date(r.ms).toISOString() : r.kind
  }
  it.each([
    ['2026-03-14T09:30:00Z', '2026-03-14T09:30:00.000Z'],
    ['2026-03-14 09:30:00.250+02:00', '2026-03-14T07:30:00.250Z'],
    ['2026-03-14T09:30-0330', '2026-03-14T13:00:00.000Z'],
    ['2026-03-14T09:30:00+01', '2026-03-14T08:30:00.000Z'],
    ['2024-02-29Z', '2024-02-29T00:00:00.000Z'],
  ])('%s', (text, expected) => expect(ms(text)).toBe(expected))
  it('without a zone are asked about, or read on the clock they were taken by, summer time and all', () => {
    expect(ms('2026-07-01T09:30:00')).toBe('no zone')
    expect(ms('2026-07-01T09:30:00', 'America/Halifax')).toBe('2026-07-01T12:30:00.000Z')
    expect(ms('2026-01-01T09:30:00', 'America/Halifax')).toBe('2026-01-01T13:30:00.000Z')
  })
  it('that the clock skips in spring are none, and of those it passes twice in fall the first is taken', () => {
    // Daylight saving by the U.S. rule of 2007: second Sunday of March and first of November, at 2 AM.
    const read = (text: string) => instantReader('America/Chicago')(text)
    expect(read('2026-03-08T01:59:59')).toEqual({ kind: 'instant', ms: Date.UTC(2026, 2, 8, 7, 59, 59) })
    for (const text of ['2026-03-08T02:00', '2026-03-08 02:59:59.999'])
      expect(read(text)).toMatchObject({
        kind: 'wrong',
        message: expect.stringContaining('the clock was set past') as string,
      })
    expect(read('2026-03-08T03:00')).toEqual({ kind: 'instant', ms: Date.UTC(2026, 2, 8, 8) })
    expect(read('2026-11-01T00:59')).toEqual({ kind: 'instant', ms: Date.UTC(2026, 10, 1, 5, 59) })
    expect(read('2026-11-01T01:30')).toEqual({
      kind: 'instant',
      ms: Date.UTC(2026, 10, 1, 6, 30),
      twice: true,
      second: Date.UTC(2026, 10, 1, 7, 30),
    })
    expect(read('2026-11-01T02:00')).toEqual({ kind: 'instant', ms: Date.UTC(2026, 10, 1, 8) })
    // Half an hour, on the other half of the globe; and a day that has no midnight is a day.
    expect(instantReader('Australia/Lord_Howe')('2026-04-05T01:45')).toMatchObject({ twice: true })
    expect(instantReader('Africa/Cairo')('2026-04-24').kind).toBe('instant')
    expect(instantReader('Africa/Cairo')('2026-04-24T00:30').kind).toBe('wrong')
  })
  it('are read in every hour of a year as the clock itself counts them', () => {
    for (const zone of [
      'America/Chicago',
      'America/Halifax',
      'Australia/Lord_Howe',
      'Asia/Kolkata',
      'Pacific/Kiritimati',
    ])
      for (let at = Date.UTC(2026, 0, 1); at < Date.UTC(2027, 0, 1); at += 3_600_000 * 7) {
        const shown = byClock(new Date(at), zone, 'YYYY-MM-DDTHH:mm:ss')
        const read = instantReader(zone)(shown)
        if (read.kind !== 'instant') throw new Error(`${shown} in ${zone} is a time`)
        if (read.twice)
          expect(at - read.ms === 0 || byClock(new Date(read.ms), zone, 'YYYY-MM-DDTHH:mm:ss') === shown).toBe(true)
        else expect(read.ms).toBe(at)
      }
  })
  it.each([
    '2026-03-14T09:30+99:00',
    '2026-03-14T09:30-14:01',
    '2026-03-14T09:30+01:60',
    '',
    'yesterday',
    '14/03/2026',
    '2026-02-30T00:00Z',
    '2026-13-01Z',
    '2026-03-14T24:00Z',
    '1812-01-01Z',
    '2026-03-14T09:30X',
  ])('%j is no date', (text) => expect(ms(text)).toBe('wrong'))
})

describe('text on its way into COPY', () => {
  it('has its tabs, breaks and backslashes escaped, and else stays as it is', () => {
    expect(copyText('plain °C')).toBe('plain °C')
    expect(copyText('a\tb\\c\r\nd')).toBe('a\\tb\\\\c\\r\\nd')
  })
})

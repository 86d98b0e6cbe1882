import { instantIn } from '../../dates.ts'

export type Instant =
  | { readonly kind: 'instant'; readonly ms: number }
  | { readonly kind: 'no zone' }
  | { readonly kind: 'wrong'; readonly message: string }

const form =
  /^(\d{4})-(\d\d)-(\d\d)(?:[T ](\d\d):(\d\d)(?::(\d\d)(?:[.,](\d{1,9}))?)?)?\s*(Z|z|UTC|[+-]\d\d(?::?\d\d)?)?$/

const daysIn = (year: number, month: number) => new Date(Date.UTC(year, month, 0)).getUTCDate()

/**
 * Reader of dates as files write them: ISO 8601 with or without a zone. The last text is remembered, as the rows of
 * one visit share it.
 * @param zone time zone for dates that carry none, or null to report them
 */
export function instantReader(zone: string | null): (text: string) => Instant {
  let last = ''
  let lastResult: Instant = { kind: 'wrong', message: 'is empty' }
  return (text) => {
    if (text === last) return lastResult
    last = text
    lastResult = read(text.trim(), zone)
    return lastResult
  }
}

function read(text: string, zone: string | null): Instant {
  if (text === '') return { kind: 'wrong', message: 'is empty' }
  const m = form.exec(text)
  if (!m) return { kind: 'wrong', message: `"${text}" is not a date such as 2026-03-14T09:30:00Z` }
  const [year, month, day, hour, minute, second] = [m[1], m[2], m[3], m[4] ?? '0', m[5] ?? '0', m[6] ?? '0'].map(
    Number,
  ) as [number, number, number, number, number, number]
  const ms = Math.floor(Number(`0.${m[7] ?? '0'}`) * 1000)
  if (month < 1 || month > 12 || day < 1 || day > daysIn(year, month))
    return { kind: 'wrong', message: `"${text}": there is no such day` }
  if (hour > 23 || minute > 59 || second > 59) return { kind: 'wrong', message: `"${text}": there is no such time` }
  if (year < 1950 || year > 2100) return { kind: 'wrong', message: `"${text}": the year is out of range` }
  const offset = m[8]
  if (offset === undefined) {
    if (zone === null) return { kind: 'no zone' }
    const local = new Date(Date.UTC(year, month - 1, day, hour, minute, second, ms)).toISOString()
    return { kind: 'instant', ms: instantIn(local.slice(0, 23).replace('T', ' '), zone).getTime() }
  }
  const utc = Date.UTC(year, month - 1, day, hour, minute, second, ms)
  if (/^(z|utc)$/i.test(offset)) return { kind: 'instant', ms: utc }
  const digits = offset.slice(1).replace(':', '')
  const minutes = Number(digits.slice(0, 2)) * 60 + Number(digits.slice(2) || '0')
  return { kind: 'instant', ms: utc - (offset.startsWith('-') ? -minutes : minutes) * 60_000 }
}

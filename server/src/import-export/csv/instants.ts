import { LRUCache } from 'lru-cache'
import { instantIn, offsetAt } from '../../dates.ts'

export type Instant =
  /** `twice`: the clock of the zone passed that time twice; the first one was taken, `second` is the other. */
  | { readonly kind: 'instant'; readonly ms: number; readonly twice?: true; readonly second?: number }
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

const dayMs = 86_400_000
/** Offsets of days in zones, minutes: null on a day about which the clock is set. */
const offsets = new LRUCache<string, { readonly minutes: number | null }>({ max: 20_000 })

/** By how much a zone's clock is ahead all of a day and the days beside it; null where it is set in them. */
function offsetOf(midnight: number, zone: string): number | null {
  const key = `${zone} ${midnight}`
  const known = offsets.get(key)
  if (known) return known.minutes
  const [a, b] = [offsetAt(midnight - dayMs, zone), offsetAt(midnight + 2 * dayMs, zone)]
  const minutes = a === b ? a : null
  offsets.set(key, { minutes })
  return minutes
}

const quarterMs = 900_000
interface Passes {
  /** What is added to a time of the clock to get its instants, ms: none where it skips that time, two where it passes it twice. */
  readonly passes: readonly number[]
  /** The same for a time that it skips, taken as later by what the clock was set. */
  readonly skipped: number
}
const quarters = new LRUCache<string, Passes>({ max: 5_000 })

/** On a day on which the clock is set: at its quarters, since clocks are set at those. */
function passesOf(local: number, zone: string): Passes {
  const quarter = Math.floor(local / quarterMs) * quarterMs
  const key = `${zone} ${quarter}`
  const known = quarters.get(key)
  if (known) return known
  const written = new Date(quarter).toISOString().slice(0, 23).replace('T', ' ')
  const ms = instantIn(written, zone).getTime()
  const around = [-7_200_000, -3_600_000, -1_800_000, 0, 1_800_000, 3_600_000].map((d) => ms + d)
  const made = {
    passes: around.filter((at) => at + offsetAt(at, zone) * 60_000 === quarter).map((at) => at - quarter),
    skipped: ms - quarter,
  }
  quarters.set(key, made)
  return made
}

/**
 * A time by the clock of a zone.
 * @param local the time as if it were UTC, ms
 * @param hours whether more than the day was written: a day begins when it begins
 */
function byZone(text: string, local: number, hours: boolean, zone: string): Instant {
  const minutes = offsetOf(Math.floor(local / dayMs) * dayMs, zone)
  if (minutes !== null) return { kind: 'instant', ms: local - minutes * 60_000 }
  const { passes, skipped } = passesOf(local, zone)
  const [first] = passes
  if (first !== undefined)
    return passes.length > 1
      ? { kind: 'instant', ms: local + first, twice: true, second: local + (passes.at(-1) ?? first) }
      : { kind: 'instant', ms: local + first }
  const ms = local + skipped
  if (!hours) return { kind: 'instant', ms }
  return { kind: 'wrong', message: `"${text}": in ${zone} the clock was set past that time` }
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
    return byZone(text, Date.UTC(year, month - 1, day, hour, minute, second, ms), m[4] !== undefined, zone)
  }
  const utc = Date.UTC(year, month - 1, day, hour, minute, second, ms)
  if (/^(z|utc)$/i.test(offset)) return { kind: 'instant', ms: utc }
  const digits = offset.slice(1).replace(':', '')
  const minutes = Number(digits.slice(0, 2)) * 60 + Number(digits.slice(2) || '0')
  // No clock on earth is further from UTC.
  if (minutes > 14 * 60 || Number(digits.slice(2) || '0') > 59)
    return { kind: 'wrong', message: `"${text}": there is no time zone ${offset}` }
  return { kind: 'instant', ms: utc - (offset.startsWith('-') ? -minutes : minutes) * 60_000 }
}

import { createRequire } from 'node:module'
import type * as Rrule from 'rrule'

// Its ES modules are not marked as such, so that Node takes only its CommonJS build, which has no named exports to import.
const { RRule } = createRequire(import.meta.url)('rrule') as typeof Rrule

/** How often a round comes again. */
export interface Recurrence {
  readonly every: 'week' | 'month' | 'quarter' | 'year'
  /** Every so many of them. */
  readonly times: number
}

const frequency = {
  week: { freq: RRule.WEEKLY, of: 1 },
  month: { freq: RRule.MONTHLY, of: 1 },
  quarter: { freq: RRule.MONTHLY, of: 3 },
  year: { freq: RRule.YEARLY, of: 1 },
} as const

/**
 * The day a round comes again. The day of the month is that of the first round, the last of the month where it is shorter.
 * @param first day of the first round, and `after` a day: the next one later than it is given; ISO dates
 * @throws RangeError when a date is none or `times` is not a whole number above zero
 * @source RFC 5545, 3.3.10: the last one (BYSETPOS) of the days of a month (BYMONTHDAY) up to that of the first round
 */
export function nextRound(first: string, r: Recurrence, after: string): string {
  const dtstart = parse(first)
  const later = parse(after)
  if (!Number.isInteger(r.times) || r.times < 1) throw new RangeError('times must be a whole number above zero')
  const { freq, of } = frequency[r.every]
  const date = dtstart.getUTCDate()
  const days = Array.from({ length: Math.max(0, date - 27) }, (_, i) => 28 + i)
  const rule = new RRule({
    freq,
    dtstart,
    interval: of * r.times,
    ...(r.every === 'week' ? {} : { bymonthday: days.length > 0 ? days : date, bysetpos: -1 }),
    ...(r.every === 'year' ? { bymonth: dtstart.getUTCMonth() + 1 } : {}),
  })
  const next = rule.after(later < dtstart ? dtstart : later)
  if (next === null) throw new RangeError('after lies too far ahead')
  return next.toISOString().slice(0, 10)
}

function parse(day: string): Date {
  const at = new Date(/^\d{4}-\d{2}-\d{2}$/.test(day) ? `${day}T00:00:00Z` : NaN)
  if (Number.isNaN(at.getTime())) throw new RangeError(`${day} is no date`)
  return at
}

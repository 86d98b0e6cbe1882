/** How often a round comes again. */
export interface Recurrence {
  readonly every: 'week' | 'month' | 'quarter' | 'year'
  /** Every so many of them. */
  readonly times: number
}

const months = { week: 0, month: 1, quarter: 3, year: 12 } as const

/**
 * The day a round comes again. The day of the month is that of the first round, the last of the month where it is shorter.
 * @param first day of the first round, and `after` a day: the next one later than it is given; ISO dates
 * @throws RangeError when a date is none or `times` is not a whole number above zero
 */
export function nextRound(first: string, r: Recurrence, after: string): string {
  const start = parse(first)
  const limit = parse(after)
  if (!Number.isInteger(r.times) || r.times < 1) throw new RangeError('times must be a whole number above zero')
  for (let n = 1; n < 10_000; n++) {
    const at = r.every === 'week' ? plusDays(start, 7 * r.times * n) : plusMonths(start, months[r.every] * r.times * n)
    if (at > limit) return new Date(at).toISOString().slice(0, 10)
  }
  throw new RangeError('after lies too far ahead')
}

function parse(day: string): number {
  const at = /^\d{4}-\d{2}-\d{2}$/.test(day) ? Date.parse(`${day}T00:00:00Z`) : NaN
  if (Number.isNaN(at)) throw new RangeError(`${day} is no date`)
  return at
}

const plusDays = (at: number, days: number) => at + days * 86_400_000

function plusMonths(at: number, count: number): number {
  const d = new Date(at)
  const last = new Date(Date.UTC(d.getUTCFullYear(), d.getUTCMonth() + count + 1, 0)).getUTCDate()
  return Date.UTC(d.getUTCFullYear(), d.getUTCMonth() + count, Math.min(d.getUTCDate(), last))
}

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nextRound, type Recurrence } from './recur.ts'

const months = { month: 1, quarter: 3, year: 12 } as const

/** The same from the calendar alone: so many months on, on that day of the month or the last of it. */
function expected(first: string, r: Recurrence, after: string): string {
  const [y = 0, m = 1, d = 1] = first.split('-').map(Number)
  for (let n = 1; ; n++) {
    const at =
      r.every === 'week'
        ? new Date(Date.UTC(y, m - 1, d + 7 * r.times * n))
        : (() => {
            const month = m - 1 + months[r.every] * r.times * n
            const last = new Date(Date.UTC(y, month + 1, 0)).getUTCDate()
            return new Date(Date.UTC(y, month, Math.min(d, last)))
          })()
    const day = at.toISOString().slice(0, 10)
    if (day > after) return day
  }
}

describe('a round that comes again', () => {
  it('keeps its day of the week or of the month; short months end it', () => {
    expect(nextRound('2026-01-31', { every: 'month', times: 1 }, '2026-01-31')).toBe('2026-02-28')
    expect(nextRound('2026-01-31', { every: 'month', times: 1 }, '2026-03-01')).toBe('2026-03-31')
    expect(nextRound('2026-11-25', { every: 'week', times: 2 }, '2026-11-26')).toBe('2026-12-09')
    expect(nextRound('2024-02-29', { every: 'year', times: 1 }, '2026-01-01')).toBe('2026-02-28')
    expect(nextRound('2026-11-25', { every: 'quarter', times: 1 }, '2027-01-01')).toBe('2027-02-25')
  })
  it('is later than the day asked about, never that day', () => {
    expect(nextRound('2026-01-05', { every: 'week', times: 1 }, '2026-01-12')).toBe('2026-01-19')
    expect(nextRound('2026-01-05', { every: 'week', times: 1 }, '2026-01-11')).toBe('2026-01-12')
  })
  it('is the next by the calendar for every rhythm and every day', () => {
    const days = fc
      .date({ min: new Date('2024-01-01'), max: new Date('2031-12-31'), noInvalidDate: true })
      .map((d) => d.toISOString().slice(0, 10))
    const rhythm = fc.record({
      every: fc.constantFrom('week', 'month', 'quarter', 'year'),
      times: fc.integer({ min: 1, max: 12 }),
    })
    fc.assert(
      fc.property(days, rhythm, days, (first, r, after) => {
        expect(nextRound(first, r, after)).toBe(expected(first, r, after))
      }),
      { numRuns: 300 },
    )
  })
  it('refuses what is no day', () => {
    expect(() => nextRound('2026-13-01', { every: 'week', times: 1 }, '2026-01-01')).toThrow('is no date')
    expect(() => nextRound('2026-01-01', { every: 'week', times: 0 }, '2026-01-01')).toThrow(/^times/)
  })
})

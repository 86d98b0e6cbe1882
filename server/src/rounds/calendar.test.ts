import { describe, expect, it } from 'vitest'
import { daysAhead, instantOf } from './calendar.ts'

describe('a round in a calendar', () => {
  it('takes the minutes of a plan to the nearest whole one, across the hour', () => {
    expect(instantOf('2026-06-01', 719.7, 'UTC').toISOString()).toBe('2026-06-01T12:00:00.000Z')
    expect(instantOf('2026-06-01', 450.2, 'UTC').toISOString()).toBe('2026-06-01T07:30:00.000Z')
  })
  it('keeps its hour by the clock of the site, in summer and in winter', () => {
    const hours = ['2026-10-28', '2026-11-04'].map((day) => instantOf(day, 420, 'America/Halifax').toISOString())
    expect(hours).toEqual(['2026-10-28T10:00:00.000Z', '2026-11-04T11:00:00.000Z'])
  })
  it('comes again on the last day of a month that is shorter', () => {
    const days = daysAhead('2027-01-31', { every: 'month', times: 1 })
    expect(days.slice(0, 3)).toEqual(['2027-02-28', '2027-03-31', '2027-04-30'])
    expect(daysAhead('2026-12-03', { every: 'week', times: 2 }).slice(0, 2)).toEqual(['2026-12-17', '2026-12-31'])
  })
})

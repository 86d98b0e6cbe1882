import { describe, expect, it } from 'vitest'
import { byClock, dayAfter, dayIn, dayWords, instantIn } from './dates.ts'

const at = (local: string, zone: string) => instantIn(local, zone).toISOString()

// Changes of the clock by the published rules of each zone (IANA time zone database).
describe('the clock of a zone', () => {
  it('is ahead or behind by what holds on that day', () => {
    expect(at('2026-01-15 07:00:00.000', 'America/New_York')).toBe('2026-01-15T12:00:00.000Z')
    expect(at('2026-07-15 07:00:00.000', 'America/New_York')).toBe('2026-07-15T11:00:00.000Z')
    expect(at('2026-07-15 07:00:00.250', 'Asia/Kathmandu')).toBe('2026-07-15T01:15:00.250Z')
    expect(at('2026-03-08 01:59:59.000', 'America/New_York')).toBe('2026-03-08T06:59:59.000Z')
    expect(at('2026-03-08 03:00:00.000', 'America/New_York')).toBe('2026-03-08T07:00:00.000Z')
    expect(at('2026-11-01 03:00:00.000', 'America/New_York')).toBe('2026-11-01T08:00:00.000Z')
    expect(at('2026-04-05 12:00:00.000', 'Australia/Lord_Howe')).toBe('2026-04-05T01:30:00.000Z')
  })
  it('takes a time that is skipped in spring as an hour later', () =>
    expect(at('2026-03-08 02:30:00.000', 'America/New_York')).toBe('2026-03-08T07:30:00.000Z'))
  it('writes instants and days', () => {
    expect(byClock('2026-11-25T18:05:00Z', 'America/Halifax', 'MMM D, YYYY, h:mm A')).toBe('Nov 25, 2026, 2:05 PM')
    expect(dayIn(new Date('2026-11-26T02:00:00Z'), 'America/Halifax')).toBe('2026-11-25')
    expect(dayWords('2026-11-05')).toBe('Nov 5, 2026')
    expect(dayAfter('2028-02-28')).toBe('2028-02-29')
    expect(dayAfter('2026-12-31')).toBe('2027-01-01')
  })
})

import { describe, expect, it } from 'vitest'
import { dayEnds } from './index.ts'

const ends = (day: string, zone: string) => new Date(dayEnds(day, zone)).toISOString()

// Offsets of the zones: IANA time zone database.
describe('the end of a day at a site', () => {
  it.each([
    ['2026-11-25', 'UTC', '2026-11-26T00:00:00.000Z'],
    ['2026-11-25', 'America/New_York', '2026-11-26T05:00:00.000Z'],
    ['2026-07-04', 'America/Los_Angeles', '2026-07-05T07:00:00.000Z'],
    ['2026-11-25', 'Asia/Kathmandu', '2026-11-25T18:15:00.000Z'],
    ['2026-11-25', 'Pacific/Kiritimati', '2026-11-25T10:00:00.000Z'],
    ['2026-11-25', 'Pacific/Pago_Pago', '2026-11-26T11:00:00.000Z'],
  ])('%s in %s', (day, zone, at) => expect(ends(day, zone)).toBe(at))
  it('is by the clock of that night where clocks change', () => {
    expect(ends('2026-03-08', 'America/New_York')).toBe('2026-03-09T04:00:00.000Z')
    expect(ends('2026-11-01', 'America/New_York')).toBe('2026-11-02T05:00:00.000Z')
  })
  it('refuses what is no day', () => expect(() => dayEnds('tomorrow', 'UTC')).toThrow(RangeError))
})

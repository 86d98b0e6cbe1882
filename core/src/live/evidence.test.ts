import { describe, expect, it } from 'vitest'
import type { AmpsBin, LiveDay } from './day.ts'
import { dayAt } from './day.test-help.ts'
import { againstBefore, besideForJudging, daysForJudging, hoursADay } from './evidence.ts'
import { unitDoubt } from './fits-plate.ts'
import { factorOf, liveQuantities, liveQuantity } from './quantities.ts'
import { joined, rollUp } from './rollup.ts'

const dayMs = 86_400_000
const start = Date.UTC(2025, 0, 1)
const bin = (hz: number | null, amps: number, minutes = 600): AmpsBin => ({ hz, amps, minutes })
const day = (n: number, over: Partial<LiveDay> = {}) => dayAt(start + n * dayMs, { bins: [bin(52, 9)], ...over })

describe('the days that judging takes', () => {
  it('are the newest fourteen and the first of each fortnight before, a year back', () => {
    const all = Array.from({ length: 800 }, (_, n) => day(n))
    const kept = daysForJudging(all)
    expect(kept.length).toBe(14 + 26)
    expect(kept.slice(-14)).toEqual(all.slice(-14))
    const gaps = kept.slice(0, 26).map((d, i) => (i === 0 ? 14 : (d.at - (kept[i - 1]?.at ?? 0)) / dayMs))
    expect(gaps.every((g) => g === 14)).toBe(true)
  })
  it('are the same whether they come one by one or all at once, and in any order', () => {
    const all = Array.from({ length: 120 }, (_, n) => day(n))
    const oneByOne = all.reduce<LiveDay[]>((kept, d) => daysForJudging([...kept, d]), [])
    expect(oneByOne).toEqual(daysForJudging(all))
    expect(daysForJudging([...all].reverse())).toEqual(daysForJudging(all))
  })
  it('keep what was last seen of a fan that has stood for weeks since', () => {
    const ran = [day(0), day(1, { mostAmps: 14 }), day(2), day(3)]
    const stood = Array.from({ length: 40 }, (_, n) => day(4 + n, { ran: 0, mostStarts: 0, bins: [] }))
    const oneByOne = [...ran, ...stood].reduce<LiveDay[]>((kept, d) => daysForJudging([...kept, d]), [])
    expect(oneByOne.filter((d) => d.ran > 0).map((d) => d.day)).toEqual([0, 1, 2, 3].map((n) => day(n).day))
    expect(daysForJudging([...ran, ...stood])).toEqual(oneByOne)
  })
  it('take a day that was summed up again as it is now', () =>
    expect(daysForJudging([day(1), day(2), day(1, { ran: 5 })]).map((d) => d.ran)).toEqual([5, 720]))
  it('are as many visits beside as are held against sensors', () =>
    expect(
      besideForJudging(
        [1, 2, 3, 4, 5].map((at) => ({ at, amps: at, hz: null })),
        [
          { at: 3, amps: 30, hz: null },
          { at: 6, amps: 6, hz: null },
        ],
      ).map((b) => b.amps),
    ).toEqual([2, 30, 4, 5, 6]))
})

describe('hours a day', () => {
  it('are those of the days that came nearly whole', () => {
    const days = [day(1), day(2), day(3, { known: 300, ran: 300 }), day(4, { ran: 1440 })]
    expect(hoursADay({ days, beside: [] })).toEqual({ perDay: expect.closeTo(16, 6) as number, days: 3 })
  })
  it('are not known of fewer than three days', () => {
    expect(hoursADay({ days: [day(1), day(2)], beside: [] })).toBeNull()
    expect(hoursADay(null)).toBeNull()
  })
})

describe('amps against before', () => {
  it('are held against each other at equal hertz alone', () => {
    const before = [day(1, { bins: [bin(40, 6), bin(52, 9)] })]
    expect(againstBefore(before, [day(9, { bins: [bin(52, 9.9), bin(58, 12)] })])).toMatchObject({
      ratio: expect.closeTo(1.1, 9) as number,
      hz: 52,
      before: 9,
      now: 9.9,
    })
    expect(againstBefore(before, [day(9, { bins: [bin(46, 20)] })])).toBeNull()
  })
  it('say nothing of less than half an hour', () =>
    expect(againstBefore([day(1)], [day(2, { bins: [bin(52, 20, 29)] })])).toBeNull())
})

describe('units against the nameplate', () => {
  const amps = liveQuantity('amps')
  const plate = { amps: 12.2, hz: 60 }
  const seen = (middle: number) => ({ n: 900, low: 0, high: middle * 1.1, middle })
  it('fit, or are asked about with the one that would', () => {
    expect(unitDoubt(amps, 'A', seen(9.4), plate)).toBeNull()
    expect(unitDoubt(amps, 'A', seen(94), plate)).toMatch(/Mostly 94 A .* nameplate of 12\.2 A\. Is it sent in 0\.1 A/)
    expect(unitDoubt(amps, '0.1 A', seen(94), plate)).toBeNull()
    expect(unitDoubt(amps, 'A', seen(77), plate)).toContain('% of nameplate amps')
    expect(unitDoubt(amps, 'A', seen(3000), plate)).not.toBeNull()
    expect(unitDoubt(liveQuantity('hz'), 'Hz', seen(520), plate)).toContain('0.1 Hz')
  })
  it('that are shares of it need it', () => {
    expect(unitDoubt(amps, '% of nameplate amps', seen(77), { amps: null, hz: 60 })).toContain('does not say')
    expect(factorOf(amps, '% of nameplate amps', plate)).toBeCloseTo(0.122)
    expect(() => factorOf(amps, 'rpm', plate)).toThrow(RangeError)
  })
  it('of on and off are 1 and 0', () => {
    expect(unitDoubt(liveQuantity('running'), 'on/off', { n: 5, low: 0, high: 1, middle: 1 }, plate)).toBeNull()
    expect(unitDoubt(liveQuantity('running'), 'on/off', seen(52), plate)).toContain('1 and 0')
  })
  it('have a factor each, and every quantity a range', () => {
    for (const q of liveQuantities) {
      expect(q.range[0]).toBeLessThan(q.range[1])
      for (const u of q.units) expect(factorOf(q, u.id, plate)).toBeGreaterThan(0)
    }
    expect(() => liveQuantity('volts')).toThrow(RangeError)
  })
})

describe('hours of minutes', () => {
  it('have how many, the lowest, the mean and the highest', () => {
    const times = Array.from({ length: 90 }, (_, i) => 30 + i)
    const by = rollUp(times, times, 60)
    expect([...by]).toEqual([
      [0, { n: 30, low: 30, mean: 44.5, high: 59 }],
      [60, { n: 60, low: 60, mean: 89.5, high: 119 }],
    ])
    const [a, b] = [...by.values()]
    expect(b && joined(a, b)).toEqual({ n: 90, low: 30, mean: 74.5, high: 119 })
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { seeded, type Random } from '../machine/index.ts'
import { dayMs, watchAmps, type WatchPoint } from './index.ts'

const start = Date.UTC(2023, 0, 10)
const at = (i: number, amps: number, more: Partial<WatchPoint> = {}): WatchPoint => ({
  at: start + i * 92 * dayMs,
  amps,
  volts: 1,
  filters: 0,
  hertz: 0,
  ...more,
})
const steady = (n: number) => Array.from({ length: n }, (_, i) => at(i, 10 + 0.05 * (i % 3)))
const watched = (points: readonly WatchPoint[], explained: readonly number[] = []) => watchAmps(points, explained)

describe('the amps of a machine against what its past lets expect', () => {
  it('nothing is expected with fewer than four readings before', () => {
    expect(watched(steady(4)).expected).toBeNull()
    expect(watched(steady(5)).expected).toMatchObject({ n: 4 })
  })
  it('a change stands since the first reading that showed it, and what was usual stays that of before', () => {
    const points = [...steady(8), at(8, 11), at(9, 11.05), at(10, 10.95), at(11, 11)]
    const w = watched(points)
    expect(w.change?.since).toBe(points[8]?.at)
    expect(w.change?.by).toBeCloseTo(0.095, 2)
    expect(w.expected?.middle).toBeCloseTo(10.05, 1)
    // Told as soon as it is read.
    expect(watched(points.slice(0, 9)).change).not.toBeNull()
  })
  it('is gone when a reading is as before again, and when a person explained it', () => {
    const points = [...steady(8), at(8, 11), at(9, 11)]
    expect(watched([...points, at(10, 10.05)]).change).toBeNull()
    const explained = [(points[9]?.at ?? 0) + dayMs]
    const after = [...points, ...[10, 11, 12, 13].map((i) => at(i, 11))]
    expect(watched(after, explained)).toMatchObject({ change: null, expected: { n: 5 } })
    expect(watched(after).change).not.toBeNull()
  })
  it('falls and rises are told alike', () => {
    const change = (to: number) => watched([...steady(8), at(8, 10.05 * to)]).change?.by ?? 0
    for (const by of [0.06, 0.1, 0.3]) expect(change(1 + by)).toBeCloseTo(-change(1 / (1 + by)) / (1 - by), 1)
  })
  it('a swing of the supply is learnt: amps that follow the volts are no change', () => {
    const volts = [1, 0.97, 1.03, 0.98, 1.02, 0.96, 1.04, 1]
    const points = volts.map((v, i) => at(i, 10 / v, { volts: v }))
    expect(watched([...points, at(8, 10 / 0.94, { volts: 0.94 })]).change).toBeNull()
    expect(watched([...points, at(8, 10 / 0.94)]).change).not.toBeNull()
  })
  it('the range holds what it says', () =>
    fc.assert(
      fc.property(fc.array(fc.double({ min: 5, max: 20, noNaN: true }), { minLength: 5, maxLength: 40 }), (values) => {
        const { expected: e } = watched(values.map((v, i) => at(i, v)))
        if (e) expect(e.low < e.middle && e.middle < e.high && e.low > 0).toBe(true)
      }),
    ))
  it('refuses what is no current', () => {
    expect(() => watched([at(0, 0)])).toThrow(/^amps/)
    expect(() => watched([at(0, 1, { volts: 0 })])).toThrow(/^volts/)
  })
})

describe('how often it is right (meters 1.5 % on amps and 2 % on volts, a yearly swing)', () => {
  /** Visits of a fan, as meters read it: every leg by itself, or a clamp that is off on all three. */
  function visits(
    random: Random,
    days: number,
    n: number,
    level: (i: number) => number,
    common: boolean,
  ): WatchPoint[] {
    const phase = random.between(0, 1)
    const read = (scatter: number) => scatter * random.normal() * (common ? 1 : 1 / Math.sqrt(3))
    return Array.from({ length: n }, (_, i) => {
      const t = start + (i * days + 0.05 * days * random.normal()) * dayMs
      const swing = 1 + 0.025 * Math.cos(2 * Math.PI * (t / (365.25 * dayMs) - phase))
      return { at: t, amps: 10 * level(i) * swing * (1 + read(0.015)), volts: 1 + read(0.02), filters: 0, hertz: 0 }
    })
  }
  const toldBy = (points: readonly WatchPoint[], from: number) =>
    points.some((_, i) => i >= from && watched(points.slice(0, i + 1)).change !== null)
  const share = (runs: number, one: (random: Random) => boolean) => {
    const random = seeded(17)
    let n = 0
    for (let i = 0; i < runs; i++) if (one(random)) n += 1
    return n / runs
  }
  it.each([true, false])(
    'a step of 6 %% is told at the first or second visit in nine of ten (common error: %s)',
    (common) =>
      expect(
        share(200, (r) =>
          toldBy(
            visits(r, 92, 10, (i) => (i >= 8 ? 1.06 : 1), common),
            8,
          ),
        ),
      ).toBeGreaterThanOrEqual(0.9),
  )
  it('half a per cent a month is told within six visits in eight of ten, up and down', () => {
    for (const way of [1, -1]) {
      const level = (i: number) => 1 + (i >= 8 ? way * 0.005 * 3.02 * (i - 7) : 0)
      expect(share(100, (r) => toldBy(visits(r, 92, 14, level, true), 8))).toBeGreaterThanOrEqual(0.8)
    }
  })
  it.each([
    [30, 48],
    [92, 16],
  ])('cries wolf less than once in ten machine years at visits every %d days', (days, n) => {
    const random = seeded(3)
    let alarms = 0
    const machines = 60
    for (let m = 0; m < machines; m++) {
      const points = visits(random, days, n, () => 1, true)
      let before = false
      points.forEach((_, i) => {
        const now = watched(points.slice(0, i + 1)).change !== null
        if (now && !before) alarms += 1
        before = now
      })
    }
    expect(alarms / ((machines * n * days) / 365.25)).toBeLessThanOrEqual(0.1)
  })
})

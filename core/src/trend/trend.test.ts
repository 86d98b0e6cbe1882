import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { near } from '../near.test-help.ts'
import {
  comparable,
  dayMs,
  drift,
  baselineAt,
  exactUpperTail,
  mannKendall,
  median,
  amongPeers,
  robustSpread,
  theilSen,
  thin,
  unsaid,
  usualRange,
  type Visit,
} from './index.ts'

// NIST StRD "Norris", y x in the order of the file.
const norris =
  `0.1 0.2; 338.8 337.4; 118.1 118.2; 888 884.6; 9.2 10.1; 228.1 226.5; 668.5 666.3; 998.5 996.3; 449.1 448.6; 778.9 777;
559.2 558.2; 0.3 0.4; 0.1 0.6; 778.1 775.5; 668.8 666.9; 339.3 338; 448.9 447.5; 10.8 11.6; 557.7 556; 228.3 228.1; 998 995.8;
888.8 887.6; 119.6 120.2; 0.3 0.3; 0.6 0.3; 557.6 556.8; 339.3 339.1; 888 887.2; 998.5 999; 778.9 779; 10.2 11.1; 117.6 118.3;
228.9 229.2; 668.4 669.1; 449.2 448.9; 0.2 0.5`
    .split(';')
    .map((p) => p.trim().split(' ').map(Number) as [number, number])

describe('Theil-Sen', () => {
  it('slope of NIST Norris is 1.002197 (computed; the certified least-squares slope is 1.00211681802045)', () => {
    const line = theilSen(
      norris.map((p) => p[1]),
      norris.map((p) => p[0]),
    )
    near(line.slope, 1.002197, 1e-6)
    expect(Math.abs(line.slope - 1.00211681802045)).toBeLessThan(2e-4)
  })

  const x = [10, 8, 13, 9, 11, 14, 6, 4, 12, 7, 5]
  it.each([
    ['I', [8.04, 6.95, 7.58, 8.81, 8.33, 9.96, 7.24, 4.26, 10.84, 4.82, 5.68], 0.501667],
    ['II', [9.14, 8.14, 8.74, 8.77, 9.26, 8.1, 6.13, 3.1, 9.13, 7.26, 4.74], 0.5],
    ['III', [7.46, 6.77, 12.74, 7.11, 7.81, 8.84, 6.08, 5.39, 8.15, 6.42, 5.73], 0.345556],
  ] as const)('slope of Anscombe %s', (_name, y, slope) => near(theilSen(x, y).slope, slope, 2e-6))
  it('slope of Anscombe IV, where all x but one are equal', () => {
    const x4 = [8, 8, 8, 8, 8, 8, 8, 19, 8, 8, 8]
    const y4 = [6.58, 5.76, 7.71, 8.84, 8.47, 7.04, 5.25, 12.5, 5.56, 7.91, 6.89]
    near(theilSen(x4, y4).slope, 0.503182, 2e-6)
  })
  it('refuses what is no run of points, by name, and takes as many as it says', () => {
    const line = (n: number) => Array.from({ length: n }, (_, k) => k)
    expect(() => theilSen([0, 1, 2], [0, 1])).toThrow(/^y must be as long/)
    expect(() => theilSen([0, 1], [0, 1])).toThrow(/^x must have 3 to 400/)
    expect(() => theilSen(line(401), line(401))).toThrow(/^x must have 3 to 400/)
    expect(theilSen(line(400), line(400)).slope).toBe(1)
    expect(() => theilSen([0, NaN, 2], [0, 1, 2])).toThrow(/^x must be finite/)
    expect(() => theilSen([0, 1, 2], [0, Infinity, 2])).toThrow(/^y must be finite/)
    expect(() => theilSen([1, 1, 1], [0, 1, 2])).toThrow(/^x must not be all equal/)
  })
  it('is not moved by a wild point (computed example)', () => {
    const line = theilSen([0, 1, 2, 3, 4, 5, 6, 7], [12.1, 12.3, 12.2, 12.6, 12.9, 12.8, 15.9, 13.2])
    near(line.slope, 0.2)
    near(line.intercept, 12.05)
  })
  it('finds a falling line (computed example)', () => {
    const line = theilSen(
      [0, 30, 62, 91, 120, 155, 181, 210, 243, 270],
      [410, 395, 402, 380, 371, 371, 350, 355, 330, 322],
    )
    near(line.slope, -0.324)
    near(line.intercept, 409.7)
    expect(line.low).toBeLessThan(line.slope)
    expect(line.high).toBeGreaterThan(line.slope)
    expect(line.high).toBeLessThan(0)
  })
  it('refuses what has no slope', () => {
    expect(() => theilSen([1, 1, 1], [1, 2, 3])).toThrow(/^x/)
    expect(() => theilSen([1, 2], [1, 2])).toThrow(/^x/)
    expect(() => theilSen([1, 2, 3], [1, 2])).toThrow(/^y/)
  })
})

describe('Mann-Kendall', () => {
  it('by the normal approximation (computed examples)', () => {
    const a = mannKendall([410, 395, 402, 380, 371, 371, 350, 355, 330, 322])
    expect(a.s).toBe(-40)
    near(a.variance, 124)
    near(a.z, -3.502)
    near(a.p, 0.0004613, 2e-3)
  })
  it('by exact counts below ten values (Mahonian numbers)', () => {
    near(exactUpperTail(4, 6), 0.04167)
    near(exactUpperTail(5, 10), 0.008333)
    near(exactUpperTail(5, 8), 0.04167)
    near(exactUpperTail(8, 16), 0.03051)
    near(exactUpperTail(10, 21), 0.03628)
    const b = mannKendall([12.1, 12.3, 12.2, 12.6, 12.9, 12.8, 15.9, 13.2])
    expect(b.s).toBe(22)
    near(b.variance, 65.33)
    near(b.z, 2.598)
    near(b.p, 2 * exactUpperTail(8, 22))
  })
  it('says p 1 of identical values, and corrects for a tie', () => {
    expect(mannKendall([5, 5, 5, 5])).toMatchObject({ s: 0, variance: 0, z: 0, p: 1 })
    const tied = mannKendall([1, 2, 2, 3, 4])
    expect(tied.s).toBe(9)
    near(tied.variance, 15.67)
    near(tied.z, 2.021)
  })
})

describe('median and spread', () => {
  it('takes the mean of the middle two', () => {
    expect(median([4, 1, 3, 2])).toBe(2.5)
    expect(median([3, 1, 2])).toBe(2)
    expect(() => median([])).toThrow(RangeError)
    expect(() => median([1, NaN])).toThrow(RangeError)
  })
  it('robust spread is 1.4826 times the median deviation', () => near(robustSpread([1, 2, 3, 4, 100]), 1.4826))
})

const visit = (over: Partial<Visit['state']> = {}, hz?: number): Visit => ({
  id: 'x',
  at: 0,
  state: { ...unsaid, ...over },
  readings: hz === undefined ? [] : [{ quantity: 'hz', position: 'motor', value: hz }],
})

describe('comparable states (common practice: unlike readings are not trended together)', () => {
  it('holds what nobody said for like', () =>
    expect(comparable(visit(), visit({ settled: true, mode: 'normal' }))).toBe(true))
  it.each([
    [{ settled: false }, {}],
    [{ twin: 'off' }, { twin: 'running' }],
    [{ panels: 'off' }, { panels: 'on' }],
    [{ mode: 'test' }, { mode: 'normal' }],
  ] as const)('%j is not like %j', (a, b) => expect(comparable(visit(a), visit(b))).toBe(false))
  it('keeps one hertz apart', () => {
    expect(comparable(visit({}, 59.5), visit({}, 60))).toBe(true)
    expect(comparable(visit({}, 45), visit({}, 60))).toBe(false)
    expect(comparable(visit({}, 61), visit({}, 60))).toBe(true)
    expect(comparable(visit({}, 61.1), visit({}, 60))).toBe(false)
  })
  it.each([
    [60, true],
    [58.5, true],
    [61.5, true],
    [58.4, false],
    [61.6, false],
    [50, true],
    [51.5, true],
    [48.5, true],
    [48.4, false],
    [51.6, false],
    [45, false],
  ])('without hertz it is at the line’s: like %d Hz: %s', (hz, like) => {
    expect(comparable(visit(), visit({}, hz))).toBe(like)
    expect(comparable(visit({}, hz), visit())).toBe(like)
  })
})

describe('baselines', () => {
  const work = [
    { at: 10, kind: 'greased' },
    { at: 20, kind: 'belts-renewed' },
    { at: 40, kind: 'sheave-turned' },
  ] as const
  it('begin with work that breaks the quantity', () => {
    expect(baselineAt(work, 'amps', 5)).toEqual({ since: null, startedBy: null })
    expect(baselineAt(work, 'amps', 15)).toEqual({ since: null, startedBy: null })
    expect(baselineAt(work, 'amps', 30)).toEqual({ since: 20, startedBy: 'belts-renewed' })
    expect(baselineAt(work, 'amps', 40)).toEqual({ since: 40, startedBy: 'sheave-turned' })
    expect(baselineAt(work, 'volts_ll', 99)).toEqual({ since: null, startedBy: null })
  })
})

describe('usual range', () => {
  it('needs four, uses the last twelve, and is at least 3 % wide', () => {
    expect(usualRange([10, 10, 10])).toBeNull()
    expect(usualRange([10, 10, 10, 10])).toEqual({ low: 9.7, middle: 10, high: 10.3, n: 4 })
    expect(usualRange([...new Array<number>(20).fill(5), ...new Array<number>(12).fill(10)])?.middle).toBe(10)
  })
  it('neither widens with a slow drift nor leaves it behind', () => {
    const rising = Array.from({ length: 12 }, (_, i) => 8 + i * 0.1)
    const u = usualRange(rising)
    expect((u?.high ?? 0) - (u?.low ?? 0)).toBeLessThan(0.7)
    expect(u?.high).toBeGreaterThan(9.1)
  })
})

const series = (n: number, value: (i: number) => number, step = 30) =>
  Array.from({ length: n }, (_, i) => ({ at: i * step * dayMs, value: value(i) }))

describe('drift', () => {
  it('says "too few" of few points or a short time', () => {
    expect(
      drift(
        series(5, () => 10),
        12,
        0.1,
      ).kind,
    ).toBe('too few')
    expect(
      drift(
        series(20, () => 10, 1),
        12,
        0.1,
      ).kind,
    ).toBe('too few')
  })
  it('says "none" of level values and of slopes that do not matter', () => {
    expect(
      drift(
        series(12, (i) => 10 + (i % 2) * 0.1),
        12,
        0.1,
      ).kind,
    ).toBe('none')
    expect(
      drift(
        series(12, (i) => 10 + i * 0.001),
        12,
        0.1,
      ).kind,
    ).toBe('none')
  })
  it('tells when a rising line meets the limit', () => {
    // 0.1 A every 30 days from 10 A: 12 A is met 600 days after the first.
    const d = drift(
      series(12, (i) => 10 + i * 0.1),
      12,
      0.1,
    )
    if (d.kind !== 'rising' || !d.meets) throw new Error(d.kind)
    expect(d.meets.at / dayMs).toBeCloseTo(600, 6)
    expect(d.meets.earliest).toBeLessThanOrEqual(d.meets.at)
    expect(d.meets.latest ?? Infinity).toBeGreaterThanOrEqual(d.meets.at)
  })
  it('gives slope and limits a year, of an exact line the slope itself', () => {
    const d = drift(
      series(12, (i) => 10 + i * 0.1),
      null,
      0.1,
    )
    if (d.kind !== 'rising') throw new Error(d.kind)
    const perYear = (0.1 / 30) * 365.25
    near(d.fit.perYear, perYear, 1e-3)
    near(d.fit.low, perYear, 1e-3)
    near(d.fit.high, perYear, 1e-3)
    near(d.fit.to.value, 11.1, 1e-9)
    expect(d.meets).toBeNull()
  })
  it('meets no limit that it is at or past', () => {
    const rising = series(12, (i) => 10 + i * 0.1)
    for (const limit of [10.5, 11.1 - 1e-9])
      expect(drift(rising, limit, 0.1)).toMatchObject({ kind: 'rising', meets: null })
    expect(drift(rising, 11.2, 0.1)).toMatchObject({ kind: 'rising', meets: { latest: expect.any(Number) } })
  })
  it('is none where the points could lie so by chance, however steep', () => {
    const wild = [10, 14, 9, 13, 10, 14, 9.5, 14, 10, 14.5, 9, 15]
    expect(
      drift(
        series(12, (i) => wild[i] ?? 0),
        20,
        0.1,
      ).kind,
    ).toBe('none')
  })
  it('tells a falling line without a meeting', () =>
    expect(
      drift(
        series(12, (i) => 10 - i * 0.1),
        12,
        0.1,
      ),
    ).toMatchObject({ kind: 'falling', meets: null }))
  it('never yields a figure that is not finite', () => {
    const value = fc.double({ min: 0, max: 500, noNaN: true })
    fc.assert(
      fc.property(fc.array(value, { minLength: 3, maxLength: 40 }), value, (ys, limit) => {
        const d = drift(
          series(ys.length, (i) => ys[i] ?? 0),
          limit,
          0.01,
        )
        if (d.kind === 'too few') return
        for (const v of [d.fit.perYear, d.fit.low, d.fit.high, d.fit.from.value, d.fit.to.value])
          expect(Number.isFinite(v)).toBe(true)
        if (d.kind === 'rising' && d.meets)
          for (const v of [d.meets.at, d.meets.earliest]) expect(Number.isFinite(v)).toBe(true)
      }),
    )
  })
  it('thins evenly and keeps both ends', () => {
    const t = thin(
      series(1000, (i) => i),
      50,
    )
    expect(t).toHaveLength(50)
    expect(t[0]?.value).toBe(0)
    expect(t[49]?.value).toBe(999)
  })
})

describe('a machine among others of its kind', () => {
  it('lies so many spreads from their middle, by medians, so that one odd one moves nothing', () => {
    // Median 0.76; deviations 0.04 0.02 0 0.02 0.04 and one of 0.5: their median 0.03, spread 0.0445.
    const a = amongPeers(0.9, [0.72, 0.74, 0.76, 0.76, 0.78, 0.8, 1.26])
    expect(a?.n).toBe(7)
    near(a?.middle ?? 0, 0.76)
    near(a?.spread ?? 0, 1.4826 * 0.02)
    near(a?.off ?? 0, 0.14 / (1.4826 * 0.02))
  })
  it('is not told among fewer than four, and a spread narrower than a meter is that of the meters', () => {
    expect(amongPeers(0.8, [0.8, 0.8, 0.8])).toBeNull()
    near(amongPeers(0.88, [0.8, 0.8, 0.8, 0.8])?.off ?? 0, 0.08 / 0.024)
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { mannKendall } from './mann-kendall.ts'
import { medianInPlace, selectInPlace } from './select.ts'
import { signSum } from './sign-sum.ts'
import { median } from './median.ts'
import { theilSen } from './theil-sen.ts'

// Adding nothing makes a zero below zero a plain one: the two are equal, and no sort tells them apart.
const values = fc
  .array(fc.oneof(fc.double({ min: -1e6, max: 1e6, noNaN: true }), fc.integer({ min: -3, max: 3 })), {
    minLength: 1,
    maxLength: 380,
  })
  .map((list) => list.map((v) => v + 0))

describe('order without sorting', () => {
  it('selects what a sort would put there, and leaves smaller before and larger behind', () =>
    fc.assert(
      fc.property(values, fc.nat(), (list, pick) => {
        const a = Float64Array.from(list)
        const k = pick % a.length
        const found = selectInPlace(a, k)
        expect(found).toBe(Float64Array.from(list).sort()[k])
        expect(a.slice(0, k).every((v) => v <= found) && a.slice(k + 1).every((v) => v >= found)).toBe(true)
      }),
      { numRuns: 300 },
    ))
  it('selects among more than six hundred, by a sample', () => {
    const list = Array.from({ length: 5000 }, (_, i) => (i * 7919) % 5003)
    const sorted = [...list].sort((a, b) => a - b)
    for (const k of [0, 1, 700, 2500, 4998, 4999]) expect(selectInPlace(Float64Array.from(list), k)).toBe(sorted[k])
  })
  it('gives the median of any list', () =>
    fc.assert(
      fc.property(values, (list) => {
        const own = medianInPlace(Float64Array.from(list), list.length)
        expect(Math.abs(own - median(list))).toBeLessThanOrEqual(1e-15 * Math.abs(own) + Number.MIN_VALUE)
      }),
    ))
})

describe('the sum of signs by merging (Knight 1966)', () => {
  it('is that of all pairs, ties counted', () =>
    fc.assert(
      fc.property(values, (list) => {
        let sum = 0
        let ties = 0
        list.forEach((v, i) =>
          list.slice(i + 1).forEach((w) => {
            sum += Math.sign(w - v)
            if (w === v) ties += 1
          }),
        )
        expect(signSum(Float64Array.from(list), list.length)).toEqual({ sum, ties })
      }),
      { numRuns: 120 },
    ))
})

describe('the fast line', () => {
  it('is the one of all slopes sorted, with Sen’s limits and the test of the values', () =>
    fc.assert(
      fc.property(fc.array(fc.double({ min: -50, max: 50, noNaN: true }), { minLength: 4, maxLength: 60 }), (y) => {
        const x = y.map((_, i) => i * 30.4 + (i % 3))
        const slopes = y
          .flatMap((v, i) => y.slice(i + 1).map((w, d) => (w - v) / ((x[i + 1 + d] ?? 0) - (x[i] ?? 0))))
          .sort((a, b) => a - b)
        const line = theilSen(x, y)
        expect(line.slope).toBeCloseTo(median(slopes), 12)
        const reach = 1.959963985 * Math.sqrt(mannKendall(y).variance)
        // Zero has two signs, and sorting does not tell them apart.
        const slopeAt = (k: number) => (slopes[Math.min(slopes.length - 1, Math.max(0, k))] ?? NaN) + 0
        expect(line.low + 0).toBe(slopeAt(Math.floor((slopes.length - reach) / 2) - 1))
        expect(line.high + 0).toBe(slopeAt(Math.ceil((slopes.length + reach) / 2)))
        expect(line.p).toBe(mannKendall(y).p)
      }),
      { numRuns: 150 },
    ))
})

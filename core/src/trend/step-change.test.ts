import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { seeded } from '../machine/index.ts'
import { near } from '../near.test-help.ts'
import { stepChange } from './index.ts'

const points = (values: readonly number[]) => values.map((value, i) => ({ at: i * 30 * 86_400_000, value }))

describe('a step (Hawkins 1977)', () => {
  it('is found where it is, with how much and how sure', () => {
    const s = stepChange(points([10, 10.1, 9.9, 10, 10.05, 9.95, 8.8, 8.75, 8.85, 8.8]), 0.05)
    expect(s?.between).toEqual([5 * 30 * 86_400_000, 6 * 30 * 86_400_000])
    near(s?.by ?? 0, -0.12, 0.01)
    expect(s?.p ?? 1).toBeLessThan(1e-4)
  })
  it('is none in too few points, in noise, on a slope, or when it is too small to matter', () => {
    expect(stepChange(points([10, 10, 10, 10, 8, 8]), 0.05)).toBeNull()
    expect(stepChange(points(Array.from({ length: 14 }, (_, i) => 10 - 0.1 * i)), 0.05)).toBeNull()
    expect(stepChange(points([10, 10.1, 9.9, 10, 10.05, 9.95, 9.8, 9.75, 9.85, 9.8]), 0.05)).toBeNull()
    expect(stepChange(points(new Array(12).fill(10)), 0.05)).toBeNull()
  })
  it('is cried in at most one of fifty runs of noise', () => {
    const random = seeded(5)
    let cried = 0
    for (let i = 0; i < 400; i++)
      if (stepChange(points(Array.from({ length: 20 }, () => 10 * (1 + 0.03 * random.normal()))), 0.03)) cried += 1
    expect(cried).toBeLessThanOrEqual(8)
  })
  it('of four spreads in twelve points is found in 95 of 100 runs, wherever it stands', () => {
    const random = seeded(9)
    let found = 0
    for (let i = 0; i < 600; i++) {
      const at = 3 + (i % 7)
      const values = Array.from({ length: 12 }, (_, k) => 10 + 0.1 * random.normal() + (k >= at ? 0.4 : 0))
      if (stepChange(points(values), 0.02)) found += 1
    }
    expect(found).toBeGreaterThan(570)
  })
  it('does not change with the unit of the values', () =>
    fc.assert(
      fc.property(fc.array(fc.double({ min: 1, max: 20, noNaN: true }), { minLength: 8, maxLength: 30 }), (values) => {
        const a = stepChange(points(values), 0.05)
        const b = stepChange(points(values.map((v) => v * 8)), 0.05)
        expect(b?.between).toEqual(a?.between)
      }),
    ))
  it('refuses what is no figure', () => expect(() => stepChange(points([1, NaN]), 0.1)).toThrow(/^points/))
})

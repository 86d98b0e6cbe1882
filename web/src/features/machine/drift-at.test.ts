import type { AmpsHistory } from '@motor-round/core/judge'
import type { Drift } from '@motor-round/core/trend'
import { describe, expect, it } from 'vitest'
import { driftAt } from './drift-at.ts'

const history = (...amps: readonly number[]): AmpsHistory => ({
  points: amps.map((a, i) => ({ at: i, amps: a, normal: a, legs: [a, a, a], like: true })),
  baselines: [],
})
const rising: Drift = {
  kind: 'rising',
  fit: { perYear: 1, low: 0.5, high: 1.5, n: 3, from: { at: 0, value: 6 }, to: { at: 2, value: 8 } },
  meets: { at: 9, earliest: 8, latest: null },
}

describe('a trend as a chart of other Hz draws it', () => {
  it('goes with the newest visit: 8 A at 45 Hz that are 12 A at 60', () =>
    expect(driftAt(rising, history(6, 7, 8), history(9, 10, 12))).toEqual({
      kind: 'rising',
      fit: { perYear: 1.5, low: 0.75, high: 2.25, n: 3, from: { at: 0, value: 9 }, to: { at: 2, value: 12 } },
      meets: null,
    }))
  it('is none where the newest visit could not be brought there, or there is none', () => {
    expect(driftAt(rising, history(6, 7, 8), history(9, 10)).kind).toBe('too few')
    expect(driftAt({ kind: 'too few', n: 1, needed: 6 }, history(6), history(9)).kind).toBe('too few')
    expect(driftAt(rising, history(), history()).kind).toBe('too few')
  })
})

import { describe, expect, it } from 'vitest'
import { dayMs, hertzEffect } from './index.ts'

const points = (n: number, slope: number, hertz: (i: number) => number) =>
  Array.from({ length: n }, (_, i) => ({ at: i * 30 * dayMs, hertz: hertz(i), value: 10 * Math.exp(slope * hertz(i)) }))

describe('what the model of a motor on a drive misses across hertz, by its own readings', () => {
  it('is what is believed of it while nothing was read at other hertz', () => {
    expect(hertzEffect([])).toEqual({ slope: 0, error: 0.2 })
    const none = hertzEffect(points(8, 0, () => 0))
    expect(none.slope).toBeCloseTo(0, 9)
    expect(none.error).toBeGreaterThan(0.1)
  })
  it('is learned where the hertz go up and down', () => {
    const { slope, error } = hertzEffect(points(16, 0.12, (i) => (i % 2 === 0 ? 0.2 : -0.1)))
    expect(slope).toBeCloseTo(0.12, 2)
    expect(error).toBeLessThan(0.04)
  })
  it('cannot be told from a drift where the hertz rise with time: then the error stays wide', () => {
    const { slope, error } = hertzEffect(points(16, 0.12, (i) => i / 60))
    expect(Math.abs(slope)).toBeLessThan(0.06)
    expect(error).toBeGreaterThan(0.1)
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { learnedNoLoad } from './index.ts'

const motor = { plateAmps: 12.8, plateHz: 60, noLoadAmps: 6 }
/** I² = I0² + load² · (n/nn)⁴, by hand. */
const drawn = (noLoad: number, load: number, hz: number) => Math.hypot(noLoad, load * (hz / 60) ** 2)
const at = (noLoad: number, load: number, all: readonly number[]) =>
  all.map((hz) => ({ hz, amps: drawn(noLoad, load, hz) }))

describe('no-load amps of a motor by what it read at several frequencies', () => {
  it('stay the estimate with less than two readings, and nearly so at one frequency', () => {
    expect(learnedNoLoad(motor, [])).toBe(6)
    expect(learnedNoLoad(motor, at(4, 9, [50]))).toBe(6)
    expect(learnedNoLoad(motor, at(4, 9, [50, 50, 50, 50, 50, 50]))).toBeGreaterThan(5)
  })
  it('come near what they are where the frequencies lie apart', () => {
    for (const is of [4, 5, 6, 7, 8])
      expect(Math.abs(learnedNoLoad(motor, at(is, 9, [38, 42, 46, 50, 54, 58, 40, 56])) / is - 1)).toBeLessThan(0.06)
  })
  it('fewer amps than the estimate at low speed say that it was too high', () =>
    expect(learnedNoLoad(motor, at(4, 8, [32, 36, 50, 55]))).toBeLessThan(4.6))
  it('readings above the nameplate’s frequency and of a motor that stands are left out', () =>
    expect(learnedNoLoad(motor, [...at(4, 9, [70, 80, 75]), { hz: 0, amps: 0 }, { hz: 40, amps: 0 }])).toBe(6))
  it('a legal figure that is next to nothing breaks nothing', () => {
    for (const odd of [
      { hz: 1e-90, amps: 5 },
      { hz: 45, amps: 1e-90 },
      { hz: 1e-90, amps: 1e-90 },
    ])
      expect(learnedNoLoad(motor, [odd, odd, { hz: 50, amps: 8 }])).toBe(6)
  })
  it('never leave what a motor can have, whatever was read', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            hz: fc.double({ min: 1, max: 61, noNaN: true }),
            amps: fc.double({ min: 0.01, max: 90, noNaN: true }),
          }),
          { maxLength: 30 },
        ),
        (reads) => {
          const is = learnedNoLoad(motor, reads)
          return is >= 0.44 * 6 && is <= 1.6 * 6
        },
      ),
    ))
})

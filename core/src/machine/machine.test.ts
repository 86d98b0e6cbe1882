import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { negativeSequenceRatio } from '../electrical/index.ts'
import { near } from '../near.test-help.ts'
import { seeded, sequenceVolts, singlePhaseCurrent } from './index.ts'
import { size } from './complex.ts'

describe('sequence volts', () => {
  it('of 462/458/471 V: 267.7 and 4.450 V per phase (textbook symmetrical components)', () => {
    const { positive, negative } = sequenceVolts([462, 458, 471])
    near(size(positive), 267.7)
    near(size(negative), 4.45, 2e-3)
  })
  it('of 480/470/465 V: 272.3 and 5.105 V per phase', () => {
    const { positive, negative } = sequenceVolts([480, 470, 465])
    near(size(positive), 272.3)
    near(size(negative), 5.105, 2e-3)
  })
  it('agrees with the magnitude formula of IEC 61000-4-30 for any triangle', () => {
    const side = fc.double({ min: 400, max: 520, noNaN: true })
    fc.assert(
      fc.property(side, side, side, (a, b, c) => {
        const { positive, negative } = sequenceVolts([a, b, c])
        expect(size(negative) / size(positive)).toBeCloseTo(negativeSequenceRatio([a, b, c]) ?? NaN, 6)
      }),
    )
  })
  it('refuses what closes no triangle', () => expect(() => sequenceVolts([480, 480, 970])).toThrow(/^lineVolts/))
})

describe('the single-phase motor', () => {
  const motor = { plateVolts: 115, plateAmps: 9.8, noLoadShare: 0.55 }
  it('draws its plate amps at full load and its no-load share idle', () => {
    near(singlePhaseCurrent(motor, 1, 115), 9.8)
    near(singlePhaseCurrent(motor, 0, 115), 0.55 * 9.8)
  })
  it('rises with the load', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1.3, noNaN: true }),
        fc.double({ min: 0.001, max: 0.3, noNaN: true }),
        (load, more) => {
          expect(singlePhaseCurrent(motor, load + more, 115)).toBeGreaterThan(singlePhaseCurrent(motor, load, 115))
        },
      ),
    )
  })
  it('refuses a share that is none', () =>
    expect(() => singlePhaseCurrent({ ...motor, noLoadShare: 1 }, 1, 115)).toThrow(/^noLoadShare/))
})

describe('the seeded generator', () => {
  it('repeats itself for the same seed and stays in its range', () => {
    const a = seeded(7)
    const b = seeded(7)
    for (let i = 0; i < 1000; i++) {
      const v = a.next()
      expect(v).toBe(b.next())
      expect(v).toBeGreaterThanOrEqual(0)
      expect(v).toBeLessThan(1)
    }
    expect(seeded(8).next()).not.toBe(seeded(7).next())
  })
})

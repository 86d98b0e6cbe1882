import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { currentUnbalance, negativeSequenceRatio, voltageUnbalance } from '../electrical/index.ts'
import { near } from '../near.test-help.ts'
import { motorCurrents, seeded, sequenceVolts, singlePhaseCurrent } from './index.ts'
import { size } from './complex.ts'

const motor = { plateVolts: 460, plateAmps: 12.8, noLoadShare: 5.4 / 12.8, lockedRotorRatio: 6.5, powerFactor: 0.81 }

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

describe('the first motor model', () => {
  it('draws its plate amps at plate volts and full load', () => {
    for (const amps of motorCurrents(motor, 1, [460, 460, 460])) near(amps, 12.8)
  })
  it('draws its no-load amps at no load', () => near(motorCurrents(motor, 0, [460, 460, 460])[0], 5.4))
  it('draws more at low volts under load, less when idle', () => {
    expect(motorCurrents(motor, 1, [420, 420, 420])[0]).toBeGreaterThan(12.8)
    expect(motorCurrents(motor, 0, [420, 420, 420])[0]).toBeLessThan(5.4)
  })
  it('multiplies voltage unbalance six to ten times near full load (NEMA MG 1, 14.36)', () => {
    for (const volts of [
      [462, 458, 471],
      [480, 470, 465],
    ] as const) {
      const ratio = currentUnbalance(motorCurrents(motor, 0.95, volts)) / voltageUnbalance(volts)
      expect(ratio).toBeGreaterThan(5)
      expect(ratio).toBeLessThan(10)
    }
  })
  it('rises with the load', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1.3, noNaN: true }),
        fc.double({ min: 0.001, max: 0.3, noNaN: true }),
        (load, more) => {
          expect(motorCurrents(motor, load + more, [460, 460, 460])[0]).toBeGreaterThan(
            motorCurrents(motor, load, [460, 460, 460])[0],
          )
        },
      ),
    )
  })
  it('single-phase: the same two components', () =>
    near(singlePhaseCurrent({ ...motor, plateVolts: 115, plateAmps: 9.8 }, 1, 115), 9.8))
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

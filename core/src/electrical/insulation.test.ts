import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { near } from '../near.test-help.ts'
import {
  absorption,
  dischargeSeconds,
  insulationFactor,
  insulationFloor,
  insulationTestVolts,
  leastPolarisation,
} from './index.ts'

describe('insulation resistance (IEEE 43)', () => {
  // Formula of the standard; constants 4230 and 1245 from memory.
  it.each([
    [12, 20, 3, 9.147],
    [9, 25, 3.182, 7.367],
    [4.2, 55, 11.88, 7.792],
    [2.1, 70, 16.8, 6.848],
    [3.4, 62, 15.62, 8.259],
  ])('%d MΩ at %d °C is %d (thermoplastic) or %d MΩ (thermosetting) at 40 °C', (r, t, plastic, setting) => {
    near(r * (insulationFactor(t, 'thermoplastic') ?? NaN), plastic)
    near(r * (insulationFactor(t, 'thermosetting') ?? NaN), setting)
  })
  // The rounded table of the standard as remembered: 0.7, 0.8, 0.9, 1.0, 1.5, 2.3, 3.3, 4.6.
  it.each([
    [10, 0.656],
    [20, 0.7622],
    [30, 0.877],
    [40, 1],
    [50, 1.52],
    [60, 2.252],
    [70, 3.261],
    [80, 4.625],
    [85, 5.467],
  ])('the thermosetting factor at %d °C is %d', (t, k) => near(insulationFactor(t, 'thermosetting'), k))
  it('halves every 10 K in the old systems', () => near(insulationFactor(60, 'thermoplastic'), 4))
  it('has no factor below 10 or above 85 °C', () => {
    for (const t of [-5, 9.9, 85.1, 120]) expect(insulationFactor(t, 'thermosetting')).toBeNull()
  })
  it('has floors of 5 MΩ, kV + 1, 100 MΩ (IEEE 43) and the 30 MΩ lamp (common practice)', () => {
    expect(insulationFloor('random-wound 5', 460)).toBe(5)
    expect(insulationFloor('form-wound 100', 460)).toBe(100)
    expect(insulationFloor('lamp 30', 460)).toBe(30)
    for (const [v, floor] of [
      [208, 1.208],
      [230, 1.23],
      [460, 1.46],
      [575, 1.575],
    ] as const)
      near(insulationFloor('kV plus 1', v), floor)
  })
  it('is tested with 500 V below 1 kV and more above', () => {
    expect(insulationTestVolts(575)).toEqual([500, 500])
    expect(insulationTestVolts(2300)).toEqual([500, 1000])
    expect(insulationTestVolts(4160)).toEqual([1000, 2500])
    expect(insulationTestVolts(11000)).toEqual([2500, 5000])
    expect(insulationTestVolts(13200)).toEqual([5000, 10000])
    expect(() => insulationTestVolts(0)).toThrow(/^ratedVolts/)
  })
  it('gives DAR 1.292 and PI 2.516 of the worked curve', () => {
    const at = (megohms: number) => ({ megohms, over: false })
    const dar = absorption(at(240), at(310), 310)
    const pi = absorption(at(310), at(780), 310)
    if (dar.kind !== 'ratio' || pi.kind !== 'ratio') throw new Error('both are ratios')
    near(dar.ratio, 1.292)
    near(pi.ratio, 2.516)
    near(Math.log10(pi.ratio), 0.4007)
  })
  it('gives no ratio over range, above 5000 MΩ or from zero', () => {
    const over = { megohms: 2000, over: true }
    expect(absorption(over, over, 2000)).toEqual({ kind: 'meaningless', why: 'over range' })
    expect(absorption({ megohms: 6000, over: false }, { megohms: 9000, over: false }, 6000).kind).toBe('meaningless')
    expect(absorption({ megohms: 0, over: false }, { megohms: 1, over: false }, 1)).toEqual({
      kind: 'meaningless',
      why: 'zero',
    })
  })
  it('asks a polarisation index of 1.5 for class A and 2 for the others', () => {
    expect(leastPolarisation('A')).toBe(1.5)
    for (const c of ['B', 'F', 'H', undefined]) expect(leastPolarisation(c)).toBe(2)
  })
  it('asks four times the test time for the discharge', () => expect(dischargeSeconds(600)).toBe(2400))
  it('never corrects to something below zero or not finite', () => {
    fc.assert(
      fc.property(fc.double({ min: -40, max: 140, noNaN: true }), (t) => {
        const k = insulationFactor(t, 'thermosetting')
        if (k !== null) expect(k).toBeGreaterThan(0)
      }),
    )
  })
})

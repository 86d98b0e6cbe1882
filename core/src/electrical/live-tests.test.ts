import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { near } from '../near.test-help.ts'
import {
  bleedSeconds,
  branchProtection,
  capacitanceUnderLoad,
  capacitorDeviation,
  codeLetter,
  conductorAmpacity,
  fullLoadCurrent,
  groundReturn,
  inputKilowatts,
  leadRoll,
  letterOf,
  livePattern,
  loadFromSlip,
  lockedRotorAmps,
  nextStandardRating,
  residualOfLeaks,
  singlePhasing,
  transformerReading,
  underLoadUncertainty,
} from './index.ts'

describe('rolling the leads (additive Latin square; computed)', () => {
  it('blames the supply when the odd current stays with its line', () => {
    const r = leadRoll([
      [20.1, 18, 22],
      [20, 18.1, 21.9],
      [20.2, 17.9, 22.1],
    ])
    near(r.grand, 20.03)
    near(r.lines[1], -2.033)
    near(r.lineRange, 0.1997)
    near(r.leadRange, 0.006656)
    expect(r.blames).toBe('supply')
  })
  it('blames the motor when it travels with its lead', () => {
    const r = leadRoll([
      [20.1, 18, 22],
      [21.9, 20.2, 18.1],
      [18, 22.1, 20],
    ])
    near(r.leads[1], -2.011)
    near(r.leads[2], 1.956)
    near(r.leadRange, 0.1979)
    near(r.lineRange, 0.004989, 2e-3)
    expect(r).toMatchObject({ blames: 'motor', odd: 1 })
  })
  it('weighs the two when both show', () => {
    const r = leadRoll([
      [10.4, 9.8, 10.9],
      [10.6, 9.9, 10.4],
      [10.1, 10.2, 10.8],
    ])
    near(r.lineRange, 0.07089)
    near(r.leadRange, 0.04511)
    expect(r.blames).toBe('supply')
  })
  it('blames nobody for even currents', () =>
    expect(
      leadRoll([
        [10, 10, 10.1],
        [10, 10.1, 10],
        [10.1, 10, 10],
      ]).blames,
    ).toBe('neither'))
})

describe('capacitors', () => {
  it.each([
    [1.31, 352, 60, 9.872, 10, -0.01282],
    [0.62, 345, 60, 4.767, 5, -0.04661],
    [2.05, 372, 60, 14.62, 15, -0.02548],
    [1.1, 300, 50, 11.67, 12, -0.02739],
  ])('%d A at %d V and %d Hz is %d µF', (amps, volts, hz, uf, marked, off) => {
    const c = capacitanceUnderLoad(amps, volts, hz)
    near(c, uf)
    near(capacitorDeviation(c, marked), off)
  })
  it('bleeds 40 µF of 370 V through 15 kΩ to 50 V in 1.409 s', () => near(bleedSeconds(40, 370, 15000, 50), 1.409))
  it('bleeds 10 µF of 440 V through 1 MΩ to 50 V in 25.21 s', () => near(bleedSeconds(10, 440, 1e6, 50), 25.21))
  it('is unsure by 2.2 % under load', () => near(underLoadUncertainty, 0.02236))
})

describe('protection (NEC 430.22, 430.52, 240.6)', () => {
  it.each([
    [10, 480, 17.5, 45, 25, 35],
    [5, 208, 20.88, 60, 30, 45],
    [25, 240, 85, 225, 125, 175],
  ])('%d hp at %d V', (hp, volts, conductor, ntd, dual, breaker) => {
    const amps = fullLoadCurrent(3, hp, volts)?.amps ?? NaN
    near(conductorAmpacity(amps), conductor)
    expect(branchProtection('non-time-delay fuse', amps).rating).toBe(ntd)
    expect(branchProtection('time-delay fuse', amps).rating).toBe(dual)
    expect(branchProtection('breaker', amps).rating).toBe(breaker)
  })
  it('has fuses below 15 A and breakers not', () => {
    expect(nextStandardRating(4.1, true)).toBe(6)
    expect(nextStandardRating(4.1, false)).toBe(15)
    expect(nextStandardRating(6001, true)).toBeNull()
  })
  it('never goes above the exceptions: 225 % dual-element, 400 % breaker, 300 % above 100 A', () => {
    expect(branchProtection('time-delay fuse', 14).greatest).toBeCloseTo(31.5)
    expect(branchProtection('breaker', 14).greatest).toBeCloseTo(56)
    expect(branchProtection('breaker', 100).greatest).toBeCloseTo(400)
    expect(branchProtection('non-time-delay fuse', 14).greatest).toBeCloseTo(56)
    expect(branchProtection('non-time-delay fuse', 130).greatest).toBeCloseTo(520)
    expect(branchProtection('time-delay fuse', 130).greatest).toBeCloseTo(292.5)
    expect(branchProtection('breaker', 130).greatest).toBeCloseTo(390)
  })
})

describe('locked rotor (NEC 430.7(B))', () => {
  it('of code G, 10 hp, 460 V: 70.29 to 78.95 A', () => {
    const g = codeLetter('g')
    near(lockedRotorAmps(g?.from ?? NaN, 10, 460, 3), 70.29)
    near(lockedRotorAmps(g?.to ?? NaN, 10, 460, 3), 78.95)
  })
  it('of code K, 1.5 hp, 208 V and L, 0.75 hp, 115 V single-phase', () => {
    near(lockedRotorAmps(codeLetter('K')?.from ?? NaN, 1.5, 208, 3), 33.31)
    near(lockedRotorAmps(codeLetter('L')?.to ?? NaN, 0.75, 115, 1), 65.15)
  })
  it('takes the next letter between printed ranges, and knows no I, O, Q', () => {
    expect([letterOf(3.14), letterOf(3.15), letterOf(3.145), letterOf(30)]).toEqual(['A', 'B', 'B', 'V'])
    for (const l of ['I', 'O', 'Q', '']) expect(codeLetter(l)).toBeNull()
    expect(codeLetter('V')).toEqual({ letter: 'V', from: 22.4, to: null })
  })
})

describe('ground current', () => {
  it('of 48 mA out and 31 mA back: 17 to 79 mA another way, 35.42 % in phase', () => {
    const r = groundReturn(48, 31)
    near(r.otherLow, 17)
    near(r.otherHigh, 79)
    near(r.share, 0.3542)
  })
  it('shows another circuit by a share below zero', () => near(groundReturn(12, 20).share, -0.6667))
  it('of 2.37 A out and 1.73 A back on a fan that is off (common practice)', () =>
    near(groundReturn(2.37, 1.73).otherLow, 0.64))
  it.each([
    [[6, 6, 1.5], 4.5],
    [[10, 4, 2.5], 6.874],
    [[5, 5, 5], 0],
  ] as const)('three leaks %j leave %d', (leaks, rest) => expect(residualOfLeaks(leaks)).toBeCloseTo(rest, 3))
})

describe('transformers by their ratio', () => {
  it('clears a 460/24 V one at 7 V out of 137 V in and at 32 V out of 569 V in (common practice)', () => {
    const rated = { ratedIn: 460, ratedOut: 24 }
    expect(transformerReading({ in: 137, out: 7, ...rated })).toMatchObject({ fault: 'upstream' })
    const told = (volts: { in: number; out: number }, ratedIn = 480, ratedOut = 24) =>
      transformerReading({ ...volts, ratedIn, ratedOut }).fault
    // Ten per cent either way still is the transformer's own, and the supply's; a little more is not.
    expect([told({ in: 480, out: 26.4 }), told({ in: 480, out: 21.6 })]).toEqual(['none', 'none'])
    expect([told({ in: 480, out: 26.5 }), told({ in: 480, out: 21.5 })]).toEqual(['transformer', 'transformer'])
    expect([told({ in: 528, out: 26.4 }), told({ in: 432, out: 21.6 })]).toEqual(['none', 'none'])
    expect([told({ in: 529, out: 26.45 }), told({ in: 431, out: 21.55 })]).toEqual(['upstream', 'upstream'])
    expect(transformerReading({ in: 569, out: 32, ...rated }, 0.1)).toMatchObject({ fault: 'upstream' })
    expect(transformerReading({ in: 462, out: 25, ...rated })).toMatchObject({ fault: 'none' })
  })
  it('blames one that does not hold its ratio', () =>
    expect(transformerReading({ in: 460, out: 9, ratedIn: 460, ratedOut: 24 })).toMatchObject({ fault: 'transformer' }))
})

describe('a lost line, same shaft load', () => {
  it('puts 24.25 A on the two others of 14 A, 16.17 in one delta phase, 28 : 14 : 14 behind a transformer', () => {
    const s = singlePhasing(14)
    near(s.lines, 24.25)
    near(s.deltaPhase, 16.17)
    near(s.deltaOthers, 8.083)
    near(s.deltaNormal, 8.083)
    expect(s.openPrimary).toEqual([28, 14, 14])
  })
})

describe('load from slip and input', () => {
  it('is the printed example: 1770 of 1750 rpm, 60 %', () =>
    near(loadFromSlip({ measured: 1770, plate: 1750, synchronous: 1800 }, { measured: 460, plate: 460 }), 0.6))
  it('is corrected for volts: 1772 of 1755 at 446 V, 58.49 %', () =>
    near(loadFromSlip({ measured: 1772, plate: 1755, synchronous: 1800 }, { measured: 446, plate: 460 }), 0.5849))
  it('refuses a driven motor and a stalled one', () => {
    const volts = { measured: 460, plate: 460 }
    expect(() => loadFromSlip({ measured: 1801, plate: 1750, synchronous: 1800 }, volts)).toThrow(/^measured/)
    expect(() => loadFromSlip({ measured: 1600, plate: 1750, synchronous: 1800 }, volts)).toThrow(/^measured/)
  })
  it('input of 461 V, 10.4 A, 0.78: 6.477 kW', () => near(inputKilowatts(461, 10.4, 0.78, 3), 6.477))
})

describe('proof of dead', () => {
  const limit = 5
  const at = (pairs: number[], legs: number[]) => livePattern({ pairs, legs }, limit, 277)
  it('is dead only when all are', () => expect(at([0, 0.2, 0.1], [0.3, 0, 0]).kind).toBe('dead'))
  it('sees one leg through the winding: pairs read nothing, every leg is alive', () =>
    expect(at([0.4, 0.2, 0.3], [277, 277, 276])).toEqual({ kind: 'one leg', legs: [0, 1, 2], throughWinding: true }))
  it('sees one leg with the motor off the line', () =>
    expect(at([277, 0, 277], [277, 0, 0])).toEqual({ kind: 'one leg', legs: [0], throughWinding: false }))
  it('sees two legs and all three', () => {
    expect(at([480, 277, 277], [277, 277, 0])).toEqual({ kind: 'two legs', legs: [0, 1] })
    expect(at([480, 481, 479], [277, 277, 278]).kind).toBe('all alive')
  })
  it('sees stray volts as stray, and volts of an ungrounded supply', () => {
    expect(at([3, 4, 2], [18, 12, 2]).kind).toBe('stray')
    expect(at([480, 481, 479], [0, 0, 0]).kind).toBe('all alive')
  })
  it('never calls dead what shows more than the limit anywhere (property)', () => {
    const v = fc.double({ min: 0, max: 600, noNaN: true })
    fc.assert(
      fc.property(fc.tuple(v, v, v), fc.tuple(v, v, v), (pairs, legs) => {
        const kind = livePattern({ pairs, legs }, limit, 277).kind
        expect(kind === 'dead').toBe(Math.max(...pairs, ...legs) <= limit)
      }),
    )
  })
})

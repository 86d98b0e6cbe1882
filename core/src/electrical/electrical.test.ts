import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { near } from '../near.test-help.ts'
import {
  backFedPair,
  deadPair,
  ampsAtVolts,
  currentUnbalance,
  fullLoadCurrent,
  loadByLine,
  loadByRatio,
  loadByRoot,
  lostLegByAmps,
  lostLineByVolts,
  negativeSequenceRatio,
  overloadSetting,
  unbalanceDerating,
  voltageUnbalance,
} from './index.ts'

describe('voltage unbalance', () => {
  it('is the example printed in NEMA MG 1, 14.36.2', () => near(voltageUnbalance([460, 467, 450]), 0.01961))

  // Computed examples for the same definition.
  it.each([
    [[480, 470, 465], 0.01767],
    [[462, 458, 471], 0.01582],
    [[227, 236, 230], 0.02165],
    [[212, 208, 203], 0.02247],
  ] as const)('of %j is %d', (volts, u) => near(voltageUnbalance(volts), u))

  it('refuses what is no voltage', () => {
    expect(() => voltageUnbalance([460, NaN, 450])).toThrow(/^lineVolts/)
    expect(() => voltageUnbalance([460, -1, 450])).toThrow(RangeError)
    expect(() => voltageUnbalance([0, 0, 0])).toThrow(RangeError)
  })
})

describe('negative over positive sequence (IEC 61000-4-30)', () => {
  it.each([
    [[480, 470, 465], 0.01875],
    [[462, 458, 471], 0.01663],
    [[227, 236, 230], 0.02298],
    [[212, 208, 203], 0.02505],
  ] as const)('of %j is %d', (volts, vuf) => near(negativeSequenceRatio(volts), vuf))

  it('is 0 for balanced volts, rounding or not', () => {
    for (const v of [180.8, 461.1, 460, 1]) expect(negativeSequenceRatio([v, v, v])).toBeCloseTo(0, 6)
  })

  it('is none for three that close no triangle', () => expect(negativeSequenceRatio([480, 480, 970])).toBeNull())

  it('stays 2 % while the NEMA figure runs from 1.735 to 2.010 % with the angle', () => {
    const seen: number[] = []
    for (let angle = 0; angle < 360; angle += 0.5) {
      // Line voltages of a positive sequence of 1 and a negative of 0.02 at that angle.
      const line = [0, 1, 2].map((k) => {
        const p = (-k * 2 * Math.PI) / 3
        const n = (k * 2 * Math.PI) / 3 + (angle * Math.PI) / 180
        return 460 * Math.hypot(Math.cos(p) + 0.02 * Math.cos(n), Math.sin(p) + 0.02 * Math.sin(n))
      }) as [number, number, number]
      near(negativeSequenceRatio(line), 0.02, 1e-6)
      seen.push(voltageUnbalance(line))
    }
    near(Math.min(...seen), 0.01735)
    near(Math.max(...seen), 0.0201)
  })
})

describe('derating on an unbalanced supply (NEMA MG 1, 14.36, curve from memory)', () => {
  it.each([
    [0, 1],
    [0.01, 1],
    [0.02, 0.95],
    [0.026, 0.908],
    [0.03, 0.88],
    [0.04, 0.82],
    [0.05, 0.75],
  ])('at %d is %d', (u, factor) => near(unbalanceDerating(u), factor))

  it('ends at 5 %', () => expect(unbalanceDerating(0.0501)).toBeNull())
})

describe('current unbalance', () => {
  it.each([
    [[14.2, 13.1, 15], 0.07092],
    [[27.5, 26.9, 22.4], 0.125],
    [[13, 12.1, 15.3], 0.1361],
    [[12, 12.1, 15], 0.1509],
  ] as const)('of %j is %d (definition; computed)', (amps, i) => near(currentUnbalance(amps), i))
})

describe('a lost leg', () => {
  it('shows near nothing on one and √3 on the others (symmetrical components)', () => {
    expect(lostLegByAmps([24.25, 0, 24.25], 0.1)).toEqual({ kind: 'open leg', leg: 1 })
    expect(lostLegByAmps([0.3, 17.9, 17.4], 0.1)).toEqual({ kind: 'open leg', leg: 0 })
  })
  it('shows 2 : 1 : 1 behind a delta-wye transformer', () =>
    expect(lostLegByAmps([28, 14, 14], 0.1)).toEqual({ kind: 'open primary', leg: 0 }))
  it('is not seen in healthy or merely uneven legs', () => {
    expect(lostLegByAmps([13.6, 13.2, 13.4], 0.1)).toBeNull()
    expect(lostLegByAmps([7.1, 7.2, 6.2], 0.1)).toBeNull()
  })
  it('tells a leg that carries alone, and one that is gone beside two uneven ones', () => {
    expect(lostLegByAmps([0, 0, 12], 0.1)).toEqual({ kind: 'one leg', leg: 2 })
    expect(lostLegByAmps([12, 0.2, 0.1], 0.1)).toEqual({ kind: 'one leg', leg: 0 })
    expect(lostLegByAmps([0.4, 6, 12], 0.1)).toEqual({ kind: 'open leg', leg: 0 })
    expect(lostLegByAmps([6, 12, 0], 0.1)).toEqual({ kind: 'open leg', leg: 2 })
  })
  it('of two pairs read, one with nothing beside one with all: a line is lost, whatever the third has', () => {
    expect(deadPair([480, 0, undefined], 460)).toBe(1)
    expect(deadPair([undefined, 475, 20], 460)).toBe(2)
    expect(deadPair([480, 470, undefined], 460)).toBeNull()
    expect(deadPair([0, undefined, undefined], 460)).toBeNull()
    expect(deadPair([300, 0, undefined], 460)).toBeNull()
  })
  it('tells a still motor', () => expect(lostLegByAmps([0, 0, 0], 0.1)).toEqual({ kind: 'no current' }))
  it('is told by volts: 480/277/277 is a lost line, 460/560/560 is not', () => {
    expect(lostLineByVolts([480, 277, 277])).toBe(2)
    expect(lostLineByVolts([277, 480, 277])).toBe(0)
    expect(lostLineByVolts([460, 560, 560])).toBeNull()
    expect(lostLineByVolts([480, 478, 481])).toBeNull()
    expect(lostLineByVolts([480, 239, 240])).toBe(2)
    expect(lostLineByVolts([480, 480, 970])).toBeNull()
  })
  it('is fed from its neighbor where one pair reads nothing and two are full', () => {
    expect(backFedPair([0, 460, 460])).toBe(0)
    expect(backFedPair([467, 12, 450])).toBe(1)
    expect(backFedPair([440, 455, 60])).toBe(2)
    // A lost line leaves two low pairs; so does no supply.
    for (const volts of [
      [480, 277, 277],
      [480, 239, 240],
      [460, 0, 0],
      [0, 0, 0],
      [460, 460, 400],
    ] as const)
      expect(backFedPair(volts)).toBeNull()
  })
})

describe('load from amps', () => {
  it('three forms at 9.6 A of 12.8, I0 5.4, 472 of 460 V (motor-load guide form; others derived)', () => {
    near(loadByRatio(9.6, 12.8, 472, 460).load, 0.7696)
    near(loadByRoot(9.6, 12.8, 5.4).load, 0.6839)
    near(loadByLine(9.6, 12.8, 5.4).load, 0.6832)
  })
  it('at half the amps', () => {
    near(loadByRatio(6.4, 12.8, 460, 460).load, 0.5)
    near(loadByRoot(6.4, 12.8, 5.4).load, 0.296)
    near(loadByLine(6.4, 12.8, 5.4).load, 0.3663)
  })
  it('is unknown at or below no-load', () => {
    expect(loadByRoot(5.4, 12.8, 5.4).load).toBeNull()
    expect(loadByLine(3, 12.8, 5.4).load).toBeNull()
    expect(() => loadByRoot(9, 12.8, 12.8)).toThrow(/^noLoadAmps/)
  })
})

describe('amps of the same load at other volts (constant shaft power)', () => {
  it('13.2 A at 230 V is about 14.60 at 208', () => near(ampsAtVolts(13.2, 230, 208), 14.6))
  it('25.6 A at 230 V is about 28.31 at 208', () => near(ampsAtVolts(25.6, 230, 208), 28.31))
})

describe('full-load current tables (NEC 430.250, 430.248)', () => {
  it.each([
    [3, 10, 460, 14],
    [3, 10, 480, 14],
    [3, 5, 208, 16.7],
    [3, 25, 240, 68],
    [3, 7.5, 600, 9],
    [3, 100, 200, 285],
    [3, 0.5, 230, 2.2],
    [1, 1, 230, 8],
    [1, 0.5, 120, 9.8],
    [1, 1 / 3, 208, 4],
  ] as const)('%d-phase %d hp %d V: %d A', (phases, hp, volts, amps) =>
    expect(fullLoadCurrent(phases, hp, volts)?.amps).toBe(amps),
  )
  it('takes the next larger row, never between rows or columns', () => {
    expect(fullLoadCurrent(3, 4, 460)).toMatchObject({ rowHp: 5, amps: 7.6 })
    expect(fullLoadCurrent(3, 12, 460)).toMatchObject({ rowHp: 15, amps: 21 })
    expect(fullLoadCurrent(3, 10, 400)).toBeNull()
    expect(fullLoadCurrent(3, 0.25, 460)).toBeNull()
    // Rows over 100 hp and the 115 V column: from memory.
    expect(fullLoadCurrent(3, 500, 460)?.amps).toBe(590)
    expect(fullLoadCurrent(3, 180, 230)).toMatchObject({ rowHp: 200, amps: 480 })
    expect(fullLoadCurrent(3, 2, 120)).toMatchObject({ columnVolts: 115, amps: 13.6 })
    expect(fullLoadCurrent(3, 3, 115)).toBeNull()
    expect(fullLoadCurrent(3, 250, 230)).toBeNull()
    expect(fullLoadCurrent(3, 501, 460)).toBeNull()
  })
})

describe('overload setting (NEC 430.32)', () => {
  it('12.8 A, SF 1.15: 16.00 and 17.92', () => {
    near(overloadSetting(12.8, 1.15).setting, 16)
    near(overloadSetting(12.8, 1.15).greatest, 17.92)
  })
  it('a marked rise of 40 °C counts as a service factor of 1.15 does (430.32(A)(1))', () => {
    near(overloadSetting(12.8, 1, 40).setting, 16)
    near(overloadSetting(12.8, 1, 40).greatest, 17.92)
    near(overloadSetting(12.8, 1, 41).setting, 14.72)
    expect(() => overloadSetting(12.8, 1, 0)).toThrow(/^rise/)
  })
  it('12.8 A, SF 1.0: 14.72 and 16.64', () => {
    near(overloadSetting(12.8, 1).setting, 14.72)
    near(overloadSetting(12.8, 1).greatest, 16.64)
  })
})

const magnitude = fc.double({ min: 0, max: 2000, noNaN: true })
const threeOf = fc.tuple(magnitude, magnitude, magnitude).filter((t) => t.some((v) => v > 0))

describe('for any magnitudes', () => {
  it('no figure is NaN', () => {
    fc.assert(
      fc.property(threeOf, (v) => {
        for (const x of [
          voltageUnbalance(v),
          currentUnbalance(v),
          negativeSequenceRatio(v),
          lostLineByVolts(v),
          backFedPair(v),
        ])
          expect(Number.isNaN(x)).toBe(false)
        const u = voltageUnbalance(v)
        expect(u).toBeGreaterThanOrEqual(0)
        expect(u).toBeLessThanOrEqual(2 + 1e-9)
        expect(Number.isNaN(unbalanceDerating(u))).toBe(false)
      }),
    )
  })
  it('unbalance does not depend on the order of the lines or the scale', () => {
    fc.assert(
      fc.property(threeOf, fc.double({ min: 0.1, max: 10, noNaN: true }), ([a, b, c], k) => {
        fc.pre(Math.max(a, b, c) > 1e-3)
        const u = voltageUnbalance([a, b, c])
        expect(voltageUnbalance([c, a, b])).toBeCloseTo(u, 9)
        expect(voltageUnbalance([a * k, b * k, c * k])).toBeCloseTo(u, 9)
      }),
    )
  })
})

describe('negative over positive sequence (IEC 61000-4-30, magnitudes; worked examples)', () => {
  it.each([
    [[480, 470, 465], 0.01875],
    [[462, 458, 471], 0.01663],
    [[227, 236, 230], 0.02298],
    [[212, 208, 203], 0.02505],
    [[460, 460, 460], 0],
  ] as const)('%j is %d', (volts, ratio) => expect(negativeSequenceRatio(volts) ?? NaN).toBeCloseTo(ratio, 5))
  it('is none where the three volts are not possible, and refuses three zeros', () => {
    expect(negativeSequenceRatio([480, 480, 970])).toBeNull()
    expect(() => negativeSequenceRatio([0, 0, 0])).toThrow(/^lineVolts/)
    expect(() => negativeSequenceRatio([460, -1, 460])).toThrow(/^lineVolts/)
  })
})

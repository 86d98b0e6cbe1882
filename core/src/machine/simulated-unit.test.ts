import { describe, expect, it } from 'vitest'
import { lostLegByAmps, livePattern, windingPattern } from '../electrical/index.ts'
import { clampDemand, steadiness, type Sample } from '../meter/index.ts'
import {
  legPositions,
  linePositions,
  quantities,
  terminalPairs,
  terminalPositions,
  type QuantityCode,
  type ThreePhase,
} from '../quantity/index.ts'
import { meterDigits, simulatedUnit, unitPatterns, type SimulatedMachine, type UnitPattern } from './index.ts'

const machine: SimulatedMachine = {
  plate: { volts: '460', amps: '12.8', phases: 3, power: 10, hz: '60', rpm: 1755, code: 'H', efficiency: 0.902 },
  plateVolts: 460,
  plateAmps: 12.8,
  phases: 3,
  serviceVolts: 480,
  hz: 60,
  capacitorUf: null,
  transformer: { ratedIn: 480, ratedOut: 208 },
  load: 0.8,
}
const unit = (pattern: UnitPattern) => simulatedUnit(machine, pattern, 3)
const three = (pattern: UnitPattern, quantity: QuantityCode, positions: readonly string[]) => {
  const u = unit(pattern)
  return positions.map((p) => u.read(quantity, p, 6))
}
const values = (pattern: UnitPattern, quantity: QuantityCode, positions: readonly string[]) =>
  three(pattern, quantity, positions).map((s) => s.value) as unknown as ThreePhase

describe('the simulated unit', () => {
  it('shows a finite figure, not below zero, or over range, for every quantity, position and pattern', () => {
    for (const { id } of unitPatterns) {
      const own = unit(id)
      for (const q of quantities)
        for (const p of q.positions) {
          const s = own.read(q.code, p, 1)
          expect(Number.isFinite(s.value) && s.value >= 0).toBe(true)
          expect(meterDigits(q.code, s.value)).toBeGreaterThanOrEqual(0)
        }
    }
  })
  it('healthy: three even legs under the plate, settled after some seconds of the fan finding its air', () => {
    const amps = values('healthy', 'amps', legPositions)
    expect(lostLegByAmps(amps, 0.1)).toBeNull()
    expect(Math.max(...amps)).toBeLessThan(12.8)
    const u = unit('healthy')
    const stream = (seconds: number): Sample[] =>
      Array.from({ length: seconds * 10 }, (_, i) => ({ at: i * 100, value: u.read('amps', 'L1', i / 10).value }))
    expect(steadiness(stream(2), clampDemand).kind).not.toBe('settled')
    expect(steadiness(stream(9), clampDemand).kind).toBe('settled')
  })
  it('a lost leg: hums, nothing on L2, near the locked current on the others, its fuse open', () => {
    const amps = values('lost-leg', 'amps', legPositions)
    expect(lostLegByAmps(amps, 0.1)).toEqual({ kind: 'open leg', leg: 1 })
    expect(amps[0]).toBeGreaterThan(40)
    expect(unit('lost-leg').turning).toBe(false)
    expect(three('lost-leg', 'fuse_ohms', legPositions).map((s) => s.over)).toEqual([false, true, false])
  })
  it('an open winding: T1 open, nothing to ground, insulation good', () => {
    const pairs = three('winding-open', 'winding_ohms', terminalPairs)
    const open = pairs.map((s) => s.over) as unknown as [boolean, boolean, boolean]
    expect(windingPattern(pairs.map((s) => s.value) as unknown as ThreePhase, open, 0.05)).toEqual({
      kind: 'lead open',
      lead: 0,
    })
    expect(three('winding-open', 'ground_ohms', terminalPositions).every((s) => s.over)).toBe(true)
    expect(unit('winding-open').read('megohms', 'all', 60).value).toBeGreaterThan(100)
  })
  it('a winding to ground: T2 to the frame, no insulation', () => {
    expect(values('winding-to-ground', 'ground_ohms', ['T2'])[0]).toBeLessThan(20)
    expect(values('winding-to-ground', 'megohms', ['T2'])[0]).toBe(0)
  })
  it('one leg and the ground wire: 2.37 A out and 1.73 A back while off (common practice)', () => {
    expect(values('leg-and-ground', 'off_amps', ['L1'])[0]).toBeCloseTo(2.37, 1)
    expect(values('leg-and-ground', 'ground_amps', ['ground-wire'])[0]).toBeCloseTo(1.73, 1)
  })
  it('a transformer 24 % high on two pairs, and half a disconnect with every leg alive through the winding', () => {
    const out = values('transformer-high', 'transformer_out', linePositions)
    expect(out[1] / out[0]).toBeCloseTo(1.24, 1)
    const legs = values('half-disconnect', 'dead_lg', legPositions)
    const pairs = values('half-disconnect', 'dead_ll', linePositions)
    expect(livePattern({ pairs, legs }, 5, 277)).toMatchObject({ kind: 'one leg', throughWinding: true })
  })
  it('single-phase machines too, and a plate without a circuit is refused', () => {
    const single: SimulatedMachine = {
      ...machine,
      phases: 1,
      serviceVolts: 208,
      plateVolts: 208,
      plateAmps: 3,
      capacitorUf: 7.5,
    }
    expect(simulatedUnit(single, 'healthy', 1).read('capacitance', 'run', 3).value).toBeCloseTo(7.5, 1)
    expect(() => simulatedUnit({ ...machine, plate: {} }, 'healthy', 1)).toThrow(/^plate/)
  })
})

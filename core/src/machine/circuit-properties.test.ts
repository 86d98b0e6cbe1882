import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  balancedAt,
  circuitOfPlate,
  estimateCircuit,
  loadByCircuit,
  noLoadAmps,
  operate,
  typicalMotor,
  type MotorCircuit,
} from './index.ts'

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const sizes = fc.constantFrom(0.5, 1, 2, 3, 5, 7.5, 10, 15, 20, 25, 40, 60, 100)

/** A plate that hangs together: amps from power, volts, efficiency and a power factor. */
const plates = fc
  .record({
    hp: sizes,
    volts: fc.constantFrom(208, 230, 400, 460, 575),
    pf: between(0.7, 0.88),
    poles: fc.constantFrom(4, 6),
  })
  .map(({ hp, volts, pf, poles }) => {
    const { efficiency, slip, lockedKvaPerHp } = typicalMotor(hp)
    const watts = hp * 745.7
    return {
      watts,
      volts,
      amps: watts / (Math.sqrt(3) * volts * efficiency * pf),
      hz: 60,
      poles,
      rpm: (7200 / poles) * (1 - slip),
      efficiency,
      lockedKvaPerHp,
      statorShare: 0.4,
    }
  })
const circuits = plates.map((p) => estimateCircuit(p)?.circuit).filter((c): c is MotorCircuit => c !== undefined)
const even = (v: number) => ({ kind: 'three lines', lineVolts: [v, v, v] }) as const

describe('the circuit of a plate (properties)', () => {
  it('gives the plate back: amps, speed, power within 0.2 %', () => {
    fc.assert(
      fc.property(plates, (p) => {
        const made = estimateCircuit(p)
        if (!made) return
        const at = operate(made.circuit, even(p.volts), 1)
        expect(Math.abs(at.lineAmps[0] / p.amps - 1)).toBeLessThan(0.002)
        expect(Math.abs(at.rpm / p.rpm - 1)).toBeLessThan(0.002)
        expect(Math.abs(at.shaftWatts / p.watts - 1)).toBeLessThan(0.002)
      }),
      { numRuns: 80 },
    )
  })
  it('has positive, finite resistances and reactances', () => {
    fc.assert(
      fc.property(circuits, (c) => {
        for (const x of [c.r1, c.x1, c.r2, c.x2, c.xm, c.rotationalWatts]) {
          expect(Number.isFinite(x)).toBe(true)
          expect(x).toBeGreaterThan(0)
        }
      }),
    )
  })
  it('closes its energy: input is copper, iron, rotor, friction and shaft, within 0.1 %', () => {
    fc.assert(
      fc.property(circuits, between(0.002, 0.06), (c, slip) => {
        const p = balancedAt(c, slip, c.volts)
        const rotor = slip * p.airGapWatts
        const iron = p.inputWatts - p.statorCopper - p.airGapWatts
        const sum = p.statorCopper + iron + rotor + c.rotationalWatts + p.shaftWatts
        expect(Math.abs(sum / p.inputWatts - 1)).toBeLessThan(0.001)
        expect(iron).toBeGreaterThanOrEqual(-1e-6)
        expect(p.efficiency).toBeLessThan(1)
      }),
    )
  })
  it('draws more, turns slower and heats more the more it carries', () => {
    fc.assert(
      fc.property(circuits, between(0.2, 1.1), between(0.02, 0.2), (c, load, more) => {
        const a = operate(c, even(c.volts), load)
        const b = operate(c, even(c.volts), load + more)
        if (!a.turning || !b.turning) return
        expect(b.lineAmps[0]).toBeGreaterThan(a.lineAmps[0])
        expect(b.rpm).toBeLessThan(a.rpm)
        expect(b.copperWatts).toBeGreaterThan(a.copperWatts)
      }),
      { numRuns: 60 },
    )
  })
  it('idles below every load, and tells the load from the amps', () => {
    fc.assert(
      fc.property(circuits, between(0.25, 1.15), between(0.94, 1.08), (c, load, level) => {
        const v = c.volts * level
        const p = operate(c, even(v), load)
        if (!p.turning) return
        expect(noLoadAmps(c, v)).toBeLessThan(p.lineAmps[0])
        expect(Math.abs((loadByCircuit(c, p.lineAmps[0], v) ?? 0) - p.load)).toBeLessThan(2e-3)
      }),
      { numRuns: 60 },
    )
  })
  it('reads the same whichever line is lost, turned about', () => {
    fc.assert(
      fc.property(circuits, between(0.2, 0.7), (c, load) => {
        const of = (open: 0 | 1 | 2) => operate(c, { kind: 'line open', open, volts: c.volts }, load)
        const [a, b, d] = [of(0), of(1), of(2)]
        expect(a.turning).toBe(b.turning)
        expect(Math.max(...a.lineAmps)).toBeCloseTo(Math.max(...b.lineAmps), 6)
        expect(Math.max(...b.lineAmps)).toBeCloseTo(Math.max(...d.lineAmps), 6)
        expect(a.rpm).toBeCloseTo(d.rpm, 6)
      }),
      { numRuns: 40 },
    )
  })
  it('names what it had to assume', () => {
    const column = { volts: 460, amps: 12.8 }
    expect(circuitOfPlate({ power: 10, phases: 3 }, column, 60)?.assumed).toEqual([
      'speed',
      'efficiency',
      'locked rotor',
    ])
    expect(
      circuitOfPlate({ power: 10, phases: 3, rpm: 1755, efficiency: 0.902, code: 'H' }, column, 60)?.assumed,
    ).toEqual([])
    expect(
      circuitOfPlate(
        { power: 7.5, powerUnit: 'kW', phases: 3, rpm: 1460, powerFactor: 0.84 },
        { volts: 400, amps: 14.3 },
        50,
      )?.assumed,
    ).toEqual(['locked rotor'])
  })
})

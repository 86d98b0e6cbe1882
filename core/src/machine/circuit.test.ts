import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { currentUnbalance, fullLoadCurrent } from '../electrical/index.ts'
import { near } from '../near.test-help.ts'
import type { ThreePhase } from '../quantity/index.ts'
import {
  balancedAt,
  breakdown,
  circuitOfPlate,
  estimateCircuit,
  explainUnbalance,
  loadByCircuit,
  noLoadAmps,
  operate,
  typicalMotor,
  type MotorCircuit,
} from './index.ts'

// The machine of the textbook: 460 V, 25 hp, 60 Hz, four poles, wye. Constants and results as printed there.
const textbook: MotorCircuit = {
  r1: 0.641,
  x1: 1.106,
  r2: 0.332,
  x2: 0.464,
  xm: 26.3,
  rc: null,
  rotationalWatts: 1100,
  poles: 4,
  hz: 60,
  volts: 460,
  watts: 25 * 745.7,
  rpm: 1760,
}

describe('the textbook machine', () => {
  it('at slip 0.022: 18.88 A at 0.833, 10 485 W, 62.8 and 56.9 N·m, 83.7 % (printed); carried unrounded here', () => {
    const p = balancedAt(textbook, 0.022, 460)
    expect(p.amps).toBeCloseTo(18.88, 1)
    near(p.amps, 18.89)
    near(p.powerFactor, 0.8321)
    near(p.inputWatts, 12530)
    near(p.statorCopper, 686.3)
    near(p.airGapWatts, 11840)
    near(p.convertedWatts, 11580)
    near(p.shaftWatts, 10480)
    near(p.inducedTorque, 62.81)
    near(p.shaftTorque, 56.84)
    near(p.efficiency, 0.8366)
  })
  it('at slip 0.011', () => {
    const p = balancedAt(textbook, 0.011, 460)
    near(p.amps, 12.68)
    near(p.powerFactor, 0.6433)
    near(p.shaftWatts, 5024)
    near(p.shaftTorque, 26.95)
    near(p.efficiency, 0.7728)
  })
  it('breaks down at 0.2014 with 230.8 N·m and starts with 106.6 (exact Thevenin; printed 0.198, 229, 104)', () => {
    const b = breakdown(textbook, 460)
    near(b.slip, 0.2014)
    near(b.torque, 230.8)
    near(b.startTorque, 106.6)
  })
  it('locked draws 144.5 A', () => near(balancedAt(textbook, 1, 460).amps, 144.5))
  it('makes 19.98, 16.57, 20.82 A of 462, 458, 471 V at slip 0.022', () => {
    const p = operateAtSlip([462, 458, 471])
    near(p[0], 19.98)
    near(p[1], 16.57)
    near(p[2], 20.82)
    near(currentUnbalance(p), 0.1334)
  })
  it('makes 21.36, 20.53, 16.52 A of 480, 470, 465 V at slip 0.022', () => {
    const p = operateAtSlip([480, 470, 465])
    near(p[0], 21.36)
    near(p[1], 20.53)
    near(p[2], 16.52)
  })
})

/** The running point whose slip is 0.022, by choosing the load that leads there. */
function operateAtSlip(lineVolts: ThreePhase): ThreePhase {
  let low = 0
  let high = 1.5
  for (let i = 0; i < 60; i++) {
    const load = (low + high) / 2
    if (operate(textbook, { kind: 'three lines', lineVolts }, load).slip < 0.022) low = load
    else high = load
  }
  return operate(textbook, { kind: 'three lines', lineVolts }, low).lineAmps
}

const tenHp = {
  watts: 7457,
  volts: 460,
  amps: 12.8,
  hz: 60,
  poles: 4,
  rpm: 1755,
  efficiency: 0.902,
  lockedKvaPerHp: 6.695,
  statorShare: 0.4,
}

describe('the estimate from a plate (10 hp, 460 V, 12.8 A, 1755 rpm, 90.2 %, code H)', () => {
  const e = estimateCircuit(tenHp)
  if (!e) throw new Error('the plate is sound')
  const c = e.circuit
  it('splits losses and finds the circuit', () => {
    near(e.powerFactor, 0.8106)
    near(e.lossWatts, 810.2)
    near(e.statorCopper, 240.9)
    near(e.rotorCopper, 196.6)
    near(e.lockedAmps, 84.03)
    near(c.rotationalWatts, 210.6)
    near(c.r1, 0.4901)
    near(c.x1, 1.186)
    near(c.r2, 0.6011)
    near(c.x2, 1.78)
    near(c.xm, 39.56)
    near(c.rc, 1173)
  })
  it('gives the plate back', () => {
    const p = operate(c, { kind: 'three lines', lineVolts: [460, 460, 460] }, 1)
    near(p.lineAmps[0], 12.8)
    near(p.rpm, 1755)
    near(p.shaftWatts, 7457)
    near(p.efficiency, 0.902)
  })
  it('idles at 6.519 A and draws 8.575 A at 0.6239 at half load', () => {
    near(noLoadAmps(c, 460), 6.519, 2e-3)
    near(balancedAt(c, 0.0123, 460).amps, 8.575, 2e-3)
    near(balancedAt(c, 0.0123, 460).powerFactor, 0.6239, 2e-3)
    near(loadByCircuit(c, 8.575, 460), 0.5, 2e-3)
  })
  it('breaks down at 3.691 times its full-load air-gap torque', () =>
    near(breakdown(c, 460).torque / balancedAt(c, 0.025, 460).inducedTorque, 3.691, 2e-2))
  it('finds the textbook machine again where it can: Xm within 3 %, leakage within 10 %, R2 within 8 %', () => {
    const t = estimateCircuit({
      watts: 10483,
      volts: 460,
      amps: 18.89,
      hz: 60,
      poles: 4,
      rpm: 1760.4,
      efficiency: 0.8366,
      lockedKvaPerHp: (144.5 * Math.sqrt(3) * 460) / 1000 / (10483 / 745.7),
      statorShare: 0.4,
    })?.circuit
    expect(t?.xm).toBeGreaterThan(26.3 * 0.97)
    expect(t?.xm).toBeLessThan(26.3 * 1.03)
    expect((t?.x1 ?? 0) + (t?.x2 ?? 0)).toBeGreaterThan(1.57 * 0.9)
    expect(t?.r2).toBeGreaterThan(0.332 * 0.92)
    expect(t?.r2).toBeLessThan(0.332 * 1.08)
  })
})

describe('over the table of standard motors (NEC 430.250 currents)', () => {
  const sizes = [0.5, 0.75, 1, 1.5, 2, 3, 5, 7.5, 10, 15, 20, 25, 30, 40, 50, 60, 75, 100]
  it.each(sizes.flatMap((hp) => [208, 230, 460, 575].map((volts) => [hp, volts] as const)))(
    '%d hp at %d V is given back within 2 %% in amps, rpm and power',
    (hp, volts) => {
      const amps = fullLoadCurrent(3, hp, volts)?.amps ?? NaN
      const rpm = 1800 * (1 - typicalMotor(hp).slip)
      const made = circuitOfPlate({ power: hp, phases: 3, rpm, design: 'B' }, { volts, amps }, 60)
      if (!made) throw new Error('a standard motor has a circuit')
      const p = operate(made.circuit, { kind: 'three lines', lineVolts: [volts, volts, volts] }, 1)
      near(p.lineAmps[1], amps, 0.02)
      near(p.rpm, rpm, 0.02)
      near(p.shaftWatts, hp * 745.7, 0.02)
    },
  )
})

describe('a motor on a fan', () => {
  const c = estimateCircuit(tenHp)?.circuit
  if (!c) throw new Error('the plate is sound')
  const balanced = (v: number) => ({ kind: 'three lines', lineVolts: [v, v, v] }) as const
  it('draws more at low volts when loaded and less when idle', () => {
    expect(operate(c, balanced(420), 1).lineAmps[0]).toBeGreaterThan(operate(c, balanced(460), 1).lineAmps[0])
    expect(operate(c, balanced(420), 0).lineAmps[0]).toBeLessThan(operate(c, balanced(460), 0).lineAmps[0])
  })
  it('on 208 V of a 230 V plate draws 5 to 11 % more (common practice)', () => {
    const low = estimateCircuit({ ...tenHp, volts: 230, amps: 25.6 })?.circuit
    if (!low) throw new Error('sound')
    const rise = operate(low, balanced(208), 1).lineAmps[0] / operate(low, balanced(230), 1).lineAmps[0] - 1
    expect(rise).toBeGreaterThan(0.03)
    expect(rise).toBeLessThan(0.11)
  })
  it('with a line lost carries at least √3 on the two others at the same load, and makes volts on the dead terminal', () => {
    const whole = operate(c, balanced(460), 0.7)
    for (const open of [0, 1, 2] as const) {
      const p = operate(c, { kind: 'line open', open, volts: 460 }, 0.7)
      expect(p.turning).toBe(true)
      expect(p.lineAmps[open]).toBeLessThan(1e-9)
      const others = p.lineAmps.filter((_, i) => i !== open)
      expect(others[0]).toBeCloseTo(others[1] ?? NaN, 6)
      expect((others[0] ?? 0) / whole.lineAmps[0]).toBeGreaterThan(1.7)
      // A running single-phased motor shows 80 to 95 % of the line on its dead terminal (common practice).
      const dead = p.terminalVolts.filter((v) => Math.abs(v - 460) > 1)
      expect(dead).toHaveLength(2)
      for (const v of dead) {
        expect(v / 460).toBeGreaterThan(0.75)
        expect(v / 460).toBeLessThan(1)
      }
    }
  })
  it('with a line lost does not start: it hums at 0.866 of the locked current (V / 2Z against V / √3 Z)', () => {
    const p = operate(c, { kind: 'line open', open: 2, volts: 460 }, 0.7, 60, 'standstill')
    expect(p.turning).toBe(false)
    near(p.lineAmps[0] / balancedAt(c, 1, 460).amps, Math.sqrt(3) / 2)
  })
  it('multiplies the voltage unbalance six to ten times (NEMA MG 1, 14.36)', () => {
    const amps = operate(c, { kind: 'three lines', lineVolts: [462, 458, 471] }, 1).lineAmps
    const ratio = currentUnbalance(amps) / 0.01582
    expect(ratio).toBeGreaterThan(5.5)
    expect(ratio).toBeLessThan(10)
  })
  it('on a drive at 45 Hz turns near 1324 rpm on a fan load (drive handbooks, proportional V/Hz)', () =>
    near(operate(c, balanced(345), 1, 45).rpm, 1324.4, 4e-3))
  it('lets its load be found again from its amps (property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.15, max: 1.25, noNaN: true }),
        fc.double({ min: 430, max: 500, noNaN: true }),
        (load, v) => {
          const p = operate(c, balanced(v), load)
          near(loadByCircuit(c, p.lineAmps[0], v), p.load, 1e-3)
        },
      ),
      { numRuns: 60 },
    )
  })
  it('has no load at or below its idle current', () => expect(loadByCircuit(c, 5, 460)).toBeNull())
  it('never gives NaN, whatever the supply and the load (property)', () => {
    const v = fc.double({ min: 60, max: 700, noNaN: true })
    fc.assert(
      fc.property(v, v, v, fc.double({ min: 0, max: 3, noNaN: true }), (x, y, z, load) => {
        const closes = x + y > z && y + z > x && z + x > y
        if (!closes) return
        const p = operate(c, { kind: 'three lines', lineVolts: [x, y, z] }, load)
        for (const n of [...p.lineAmps, ...p.terminalVolts, p.rpm, p.shaftWatts, p.inputWatts, p.powerFactor])
          expect(Number.isFinite(n)).toBe(true)
      }),
      { numRuns: 200 },
    )
  })
})

describe('what the supply explains', () => {
  const c = estimateCircuit(tenHp)?.circuit
  if (!c) throw new Error('the plate is sound')
  const lineVolts: ThreePhase = [462, 458, 471]
  const amps = operate(c, { kind: 'three lines', lineVolts }, 0.85).lineAmps
  it('is all of it for a sound motor, in either order of rotation', () => {
    expect(explainUnbalance(c, lineVolts, amps)?.left).toBeLessThan(0.01)
    const [ab, bc, ca] = lineVolts
    const other = operate(c, { kind: 'three lines', lineVolts: [ca, bc, ab] }, 0.85).lineAmps
    expect(explainUnbalance(c, lineVolts, [other[0], other[2], other[1]])?.left).toBeLessThan(0.01)
  })
  it('leaves what a bad joint in one leg takes away', () => {
    const bad: ThreePhase = [amps[0], amps[1] * 0.8, amps[2]]
    expect(explainUnbalance(c, lineVolts, bad)?.left).toBeGreaterThan(0.08)
  })
  it('leaves an unbalance on even volts to the motor', () =>
    expect(explainUnbalance(c, [460, 460, 460], [12, 12.1, 10])?.left).toBeGreaterThan(0.1))
})

describe('plates that contradict themselves have no circuit', () => {
  it.each([
    ['amps too few for the power', { ...tenHp, amps: 9 }],
    ['amps far too many', { ...tenHp, amps: 60 }],
    ['speed above synchronous', { ...tenHp, rpm: 1810 }],
    ['slip that eats all the loss', { ...tenHp, rpm: 1500 }],
  ])('%s', (_name, p) => expect(estimateCircuit(p)).toBeNull())
  it('and single-phase ones, or ones without power, neither', () => {
    expect(circuitOfPlate({ power: 1, phases: 1, rpm: 1725 }, { volts: 230, amps: 8 }, 60)).toBeNull()
    expect(circuitOfPlate({ phases: 3, rpm: 1725 }, { volts: 230, amps: 8 }, 60)).toBeNull()
  })
})

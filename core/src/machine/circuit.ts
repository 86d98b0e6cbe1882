import { requirePositive } from '../quantity/index.ts'
import { add, complex, divide, multiply, parallel, size, type Complex } from './complex.ts'

/**
 * Equivalent circuit of an induction motor, per phase of a wye, referred to the stator; ohms at `hz`.
 * The shunt is Xm, with Rc beside it where the core loss is told apart.
 */
export interface MotorCircuit {
  readonly r1: number
  readonly x1: number
  readonly r2: number
  readonly x2: number
  readonly xm: number
  readonly rc: number | null
  /** Friction, windage and stray loss, watts, taken as mechanical. */
  readonly rotationalWatts: number
  readonly poles: number
  readonly hz: number
  /** Rated line volts, shaft watts and speed. */
  readonly volts: number
  readonly watts: number
  readonly rpm: number
}

/** One sequence network of the circuit at a slip: what its terminals show and what its rotor takes. */
export interface Branch {
  readonly z: Complex
  /** Rotor current over terminal current. */
  readonly rotorShare: Complex
}

/**
 * The network at a slip. The negative sequence is the same network at 2 − s.
 * @param slip above zero
 * @param hz supply frequency; reactances follow it
 * @source equivalent circuit of the polyphase induction machine
 */
export function branchAt(c: MotorCircuit, slip: number, hz: number): Branch {
  const k = hz / c.hz
  const stator = complex(c.r1, c.x1 * k)
  const magnetising = complex(0, c.xm * k)
  const shunt = c.rc === null ? magnetising : parallel(magnetising, complex(c.rc))
  const rotor = complex(c.r2 / slip, c.x2 * k)
  return { z: add(stator, parallel(shunt, rotor)), rotorShare: divide(shunt, add(shunt, rotor)) }
}

/** Synchronous speed of the circuit at a frequency, rpm. */
export const synchronousRpm = (c: MotorCircuit, hz: number): number => (120 * hz) / c.poles

/** Mechanical losses at a slip: constant while it runs, fading to nothing at standstill. */
export const lossesAt = (c: MotorCircuit, slip: number): number => c.rotationalWatts * Math.min(1, 2 * (1 - slip))

/** A balanced machine at one slip. Amperes, watts, newton metres, rpm; ratios as fractions. */
export interface BalancedPoint {
  readonly slip: number
  readonly rpm: number
  readonly amps: number
  readonly powerFactor: number
  readonly inputWatts: number
  readonly statorCopper: number
  readonly airGapWatts: number
  readonly convertedWatts: number
  readonly shaftWatts: number
  readonly inducedTorque: number
  readonly shaftTorque: number
  readonly efficiency: number
}

/**
 * The machine on a balanced supply at a given slip.
 * @param lineVolts line-to-line volts
 * @throws RangeError when an argument is not above zero
 * @source equivalent circuit of the polyphase induction machine
 */
export function balancedAt(c: MotorCircuit, slip: number, lineVolts: number, hz: number = c.hz): BalancedPoint {
  requirePositive('slip', slip)
  requirePositive('lineVolts', lineVolts)
  requirePositive('hz', hz)
  const { z, rotorShare } = branchAt(c, slip, hz)
  const phase = complex(lineVolts / Math.sqrt(3))
  const i1 = divide(phase, z)
  const i2 = multiply(i1, rotorShare)
  const ws = (2 * Math.PI * synchronousRpm(c, hz)) / 60
  const inputWatts = 3 * phase.re * i1.re
  const airGapWatts = (3 * size(i2) ** 2 * c.r2) / slip
  const convertedWatts = (1 - slip) * airGapWatts
  const shaftWatts = convertedWatts - lossesAt(c, slip)
  const wm = ws * (1 - slip)
  return {
    slip,
    rpm: synchronousRpm(c, hz) * (1 - slip),
    amps: size(i1),
    powerFactor: i1.re / size(i1),
    inputWatts,
    statorCopper: 3 * size(i1) ** 2 * c.r1,
    airGapWatts,
    convertedWatts,
    shaftWatts,
    inducedTorque: airGapWatts / ws,
    shaftTorque: wm === 0 ? 0 : shaftWatts / wm,
    efficiency: shaftWatts / inputWatts,
  }
}

/** Breakdown: the slip and the induced torque, and the torque at standstill, newton metres. */
export interface Breakdown {
  readonly slip: number
  readonly torque: number
  readonly startTorque: number
}

/**
 * Breakdown and starting torque, exact Thevenin form, core loss left out.
 * @throws RangeError when lineVolts is not above zero
 * @source equivalent circuit of the polyphase induction machine
 */
export function breakdown(c: MotorCircuit, lineVolts: number, hz: number = c.hz): Breakdown {
  requirePositive('lineVolts', lineVolts)
  const k = hz / c.hz
  const xm = complex(0, c.xm * k)
  const stator = complex(c.r1, c.x1 * k)
  const vth = size(divide(multiply(complex(lineVolts / Math.sqrt(3)), xm), add(stator, xm)))
  const zth = parallel(stator, xm)
  const ws = (2 * Math.PI * synchronousRpm(c, hz)) / 60
  const x = zth.im + c.x2 * k
  const slip = c.r2 / Math.hypot(zth.re, x)
  const torque = (s: number) => (3 * vth ** 2 * (c.r2 / s)) / (ws * ((zth.re + c.r2 / s) ** 2 + x ** 2))
  return { slip, torque: torque(slip), startTorque: torque(1) }
}

/**
 * Where a motor on a balanced supply carries a load that asks for so many watts at each speed.
 * @returns the point on the steady side of its torque; null where it cannot carry the load
 * @throws RangeError when volts or hertz are not above zero
 */
export function runningAt(
  c: MotorCircuit,
  lineVolts: number,
  hz: number,
  asked: (rpm: number) => number,
): BalancedPoint | null {
  let low = 1e-7
  let high = breakdown(c, lineVolts, hz).slip
  const gives = (slip: number): boolean => {
    const point = balancedAt(c, slip, lineVolts, hz)
    return point.shaftWatts >= asked(point.rpm)
  }
  if (!gives(high)) return null
  for (let i = 0; i < 44; i++) {
    const middle = (low + high) / 2
    if (gives(middle)) high = middle
    else low = middle
  }
  return balancedAt(c, high, lineVolts, hz)
}

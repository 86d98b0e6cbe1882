import { requireMagnitude, requirePositive, type ThreePhase } from '../quantity/index.ts'
import { balancedAt, branchAt, breakdown, lossesAt, synchronousRpm, type MotorCircuit } from './circuit.ts'
import { add, complex, divide, multiply, polar, scale, size, subtract, type Complex } from './complex.ts'
import { lineCurrents, sequenceVolts } from './sequence.ts'

/** What feeds the motor: three line voltages in the order of rotation, or one pair with the third line open. */
export type MotorSupply =
  | { readonly kind: 'three lines'; readonly lineVolts: ThreePhase }
  /** `open` is the index of the lost line, 0 for L1; `volts` are those of the live pair. */
  | { readonly kind: 'line open'; readonly open: 0 | 1 | 2; readonly volts: number }

/** The motor as it runs, or stands. Amperes by line, volts at its terminals, watts, newton metres. */
export interface OperatingPoint {
  readonly slip: number
  readonly rpm: number
  readonly lineAmps: ThreePhase
  /** Volts between its terminals L1-L2, L2-L3, L3-L1: a lost line still shows what the motor makes. */
  readonly terminalVolts: ThreePhase
  readonly shaftWatts: number
  /** Shaft power over rated. */
  readonly load: number
  readonly inputWatts: number
  readonly powerFactor: number
  readonly copperWatts: number
  readonly efficiency: number
  readonly turning: boolean
}

interface Sequences {
  readonly v1: Complex
  readonly v2: Complex
  readonly i1: Complex
  readonly i2: Complex
  readonly torque: number
  readonly airGap: number
}

const alpha = polar(1, 120)
const alpha2 = polar(1, 240)

/** Sequence currents, volts and net induced torque at a slip. */
function sequencesAt(
  c: MotorCircuit,
  supply: MotorSupply,
  split: ReturnType<typeof sequenceVolts> | null,
  slip: number,
  hz: number,
): Sequences {
  const forward = branchAt(c, slip, hz)
  const backward = branchAt(c, 2 - slip, hz)
  let i1: Complex
  let i2: Complex
  let v1: Complex
  let v2: Complex
  if (supply.kind === 'three lines' && split) {
    v1 = split.positive
    v2 = split.negative
    i1 = divide(v1, forward.z)
    i2 = divide(v2, backward.z)
  } else {
    // One line open: both networks lie in series across the live pair.
    const volts = supply.kind === 'line open' ? supply.volts : 0
    const ia = divide(complex(volts), add(forward.z, backward.z))
    i1 = scale(multiply(ia, subtract(complex(1), alpha)), 1 / 3)
    i2 = scale(multiply(ia, subtract(complex(1), alpha2)), 1 / 3)
    v1 = multiply(i1, forward.z)
    v2 = multiply(i2, backward.z)
  }
  const r1 = size(multiply(i1, forward.rotorShare))
  const r2 = size(multiply(i2, backward.rotorShare))
  const ws = (2 * Math.PI * synchronousRpm(c, hz)) / 60
  const gap1 = (3 * r1 ** 2 * c.r2) / slip
  const gap2 = (3 * r2 ** 2 * c.r2) / (2 - slip)
  return { v1, v2, i1, i2, torque: (gap1 - gap2) / ws, airGap: gap1 - gap2 }
}

/** Put values of the phases a, b, c (c is the open one) onto L1, L2, L3. */
function placed(open: 0 | 1 | 2, [a, b, c]: ThreePhase): ThreePhase {
  const out: [number, number, number] = [0, 0, 0]
  out[open] = c
  out[(open + 1) % 3] = a
  out[(open + 2) % 3] = b
  return out
}

function pointOf(
  c: MotorCircuit,
  supply: MotorSupply,
  q: Sequences,
  slip: number,
  hz: number,
  turning: boolean,
): OperatingPoint {
  const [a, b, d] = lineCurrents(q.i1, q.i2)
  const [va, vb, vc] = lineCurrents(q.v1, q.v2)
  const amps: ThreePhase = [size(a), size(b), size(d)]
  const volts: ThreePhase = [size(subtract(va, vb)), size(subtract(vb, vc)), size(subtract(vc, va))]
  const open = supply.kind === 'line open' ? supply.open : null
  // Phase c is the lost one: its pair list is a-b, b-c, c-a, which on the lines begins after the open one.
  const terminal: ThreePhase =
    open === null
      ? volts
      : ((): ThreePhase => {
          const out: [number, number, number] = [0, 0, 0]
          out[(open + 1) % 3] = volts[0]
          out[(open + 2) % 3] = volts[1]
          out[open] = volts[2]
          return out
        })()
  const converted = (1 - slip) * q.airGap
  const shaftWatts = turning ? Math.max(0, converted - lossesAt(c, slip)) : 0
  const conj = (z: Complex): Complex => ({ re: z.re, im: -z.im })
  const inputWatts = 3 * (multiply(q.v1, conj(q.i1)).re + multiply(q.v2, conj(q.i2)).re)
  const apparent = 3 * Math.hypot(size(q.v1), size(q.v2)) * Math.hypot(size(q.i1), size(q.i2))
  return {
    slip,
    rpm: turning ? synchronousRpm(c, hz) * (1 - slip) : 0,
    lineAmps: open === null ? amps : placed(open, amps),
    terminalVolts: terminal,
    shaftWatts,
    load: shaftWatts / c.watts,
    inputWatts,
    powerFactor: apparent === 0 ? 0 : inputWatts / apparent,
    copperWatts: 3 * (size(q.i1) ** 2 + size(q.i2) ** 2) * c.r1,
    efficiency: inputWatts <= 0 ? 0 : shaftWatts / inputWatts,
    turning,
  }
}

/**
 * Where the motor settles on a fan, whose torque follows the square of the speed: bisection between no slip and
 * breakdown on the sum of the forward and backward torques.
 * @param load of the fan at rated speed, as a fraction of rated torque
 * @param from `running` starts from speed, `standstill` asks whether it gets there at all
 * @returns the running point; or the motor standing still with its locked currents when it cannot carry the load
 * @throws RangeError when an argument is out of range or the volts close no triangle
 * @source symmetrical components on the equivalent circuit
 */
export function operate(
  c: MotorCircuit,
  supply: MotorSupply,
  load: number,
  hz: number = c.hz,
  from: 'running' | 'standstill' = 'running',
): OperatingPoint {
  requireMagnitude('load', load)
  requirePositive('hz', hz)
  const split = supply.kind === 'three lines' ? sequenceVolts(supply.lineVolts) : null
  if (supply.kind === 'line open') requirePositive('volts', supply.volts)
  const ns = synchronousRpm(c, hz)
  const ratedTorque = c.watts / ((2 * Math.PI * c.rpm) / 60)
  const at = (s: number) => sequencesAt(c, supply, split, s, hz)
  // Of fan and of friction together, at the speed of a slip.
  const needed = (s: number) => {
    const wm = (2 * Math.PI * ns * (1 - s)) / 60
    return load * ratedTorque * ((ns * (1 - s)) / c.rpm) ** 2 + lossesAt(c, s) / Math.max(wm, 1e-6)
  }
  const spare = (s: number) => at(s).torque - needed(s)
  const still = () => pointOf(c, supply, at(1), 1, hz, false)
  if (from === 'standstill' && at(1).torque <= 0.02 * ratedTorque * load) return still()
  let low = 1e-7
  let high = Math.min(
    0.95,
    breakdown(c, supply.kind === 'three lines' ? Math.max(...supply.lineVolts) : supply.volts, hz).slip,
  )
  // With a backward torque the peak lies elsewhere: find a slip at which the motor has torque to spare.
  for (let i = 0; i < 24 && spare(high) < 0; i++) high *= 0.85
  if (spare(high) < 0) return still()
  for (let i = 0; i < 46; i++) {
    const s = (low + high) / 2
    if (spare(s) < 0) low = s
    else high = s
  }
  const slip = (low + high) / 2
  return pointOf(c, supply, at(slip), slip, hz, true)
}

/**
 * Shaft load from the amps of a balanced supply, through the circuit: good below half load too, where amps over plate
 * amps overstate.
 * @param amps mean of the legs
 * @param volts mean line volts
 * @returns load as a fraction of rated, or null at or below the no-load current or beyond breakdown
 * @throws RangeError when volts or hz is not above zero
 */
export function loadByCircuit(c: MotorCircuit, amps: number, volts: number, hz: number = c.hz): number | null {
  requireMagnitude('amps', amps)
  let low = 1e-7
  let high = breakdown(c, volts, hz).slip
  const idle = balancedAt(c, low, volts, hz)
  if (idle.amps > amps || balancedAt(c, high, volts, hz).amps < amps) return null
  for (let i = 0; i < 46; i++) {
    const s = (low + high) / 2
    if (balancedAt(c, s, volts, hz).amps < amps) low = s
    else high = s
  }
  // At or below the no-load current nothing is left for the shaft.
  const load = balancedAt(c, (low + high) / 2, volts, hz).shaftWatts / c.watts
  return load > 0 ? load : null
}

/** The current with nothing on the shaft but the motor's own losses, amperes. */
export function noLoadAmps(c: MotorCircuit, volts: number, hz: number = c.hz): number {
  return operate(c, { kind: 'three lines', lineVolts: [volts, volts, volts] }, 0, hz).lineAmps[0]
}

import { circuitOfPlate } from './estimate.ts'
import { balancedAt } from './circuit.ts'
import { operate, type OperatingPoint } from './operate.ts'
import { seeded } from './random.ts'
import { singlePhaseCurrent } from './single-phase.ts'
import type { Plate } from '../plate/index.ts'
import {
  findQuantity,
  insulationTimes,
  legPositions,
  linePositions,
  type QuantityCode,
  type ThreePhase,
} from '../quantity/index.ts'

/** What can be wrong with a simulated unit: the classic patterns of the trade. */
export const unitPatterns = [
  { id: 'healthy', words: 'Healthy' },
  { id: 'lost-leg', words: 'A leg lost ahead of the starter' },
  { id: 'winding-open', words: 'Winding open, nothing to ground' },
  { id: 'winding-to-ground', words: 'Winding to ground, breaker tripped' },
  { id: 'leg-and-ground', words: 'Runs on one leg and the ground wire' },
  { id: 'transformer-high', words: 'Transformer a quarter high on two pairs' },
  { id: 'half-disconnect', words: 'Disconnect half pulled' },
  { id: 'loose-lug', words: 'A lug that makes and breaks' },
] as const
export type UnitPattern = (typeof unitPatterns)[number]['id']

/** What is known of the machine that is simulated. */
export interface SimulatedMachine {
  readonly plate: Plate
  readonly plateVolts: number
  readonly plateAmps: number
  readonly phases: 1 | 3
  readonly serviceVolts: number
  readonly hz: number
  readonly capacitorUf: number | null
  readonly transformer: { readonly ratedIn: number; readonly ratedOut: number } | null
  readonly load: number
}

/** What a probe shows at one instant: in the quantity's own unit, or over the meter's range. */
export interface Shown {
  readonly value: number
  readonly over: boolean
}

const over: Shown = { value: 0, over: true }
const shows = (value: number): Shown => ({ value, over: false })
const index = (positions: readonly string[], p: string) => positions.indexOf(p)

/** A unit under test: reading a quantity at a position, some seconds after the probe was put there. */
export interface SimulatedUnit {
  read(quantity: QuantityCode, position: string, seconds: number): Shown
  /** What a phase-rotation tester shows. */
  readonly rotation: 'L1-L2-L3' | 'L3-L2-L1'
  /** How the shaft behaves when the call comes. */
  readonly turning: boolean
}

function supplyVolts(m: SimulatedMachine, pattern: UnitPattern): ThreePhase {
  const v = m.serviceVolts
  if (pattern === 'transformer-high') return [v * 0.957, v * 1.166, v * 1.166]
  return [v * 0.998, v * 1.001, v * 0.996]
}

/**
 * A machine as its meters see it. Each quantity is read in the state in which it is taken: amps while it runs, ohms while
 * it is dead, off amps with the contactor open.
 * @param pattern what is wrong with it
 * @param seed makes the hand's wobble repeat
 * @throws RangeError when the plate gives no circuit of a three-phase motor
 */
export function simulatedUnit(m: SimulatedMachine, pattern: UnitPattern, seed: number): SimulatedUnit {
  const random = seeded(seed)
  const made = m.phases === 3 ? circuitOfPlate(m.plate, { volts: m.plateVolts, amps: m.plateAmps }, m.hz) : null
  if (m.phases === 3 && !made) throw new RangeError('plate gives no circuit')
  const circuit = made?.circuit ?? null
  const phase = m.serviceVolts / (m.phases === 3 ? Math.sqrt(3) : m.serviceVolts < 180 ? 1 : 2)
  const lost = pattern === 'lost-leg' ? 1 : pattern === 'winding-open' ? 0 : null
  const volts = supplyVolts(m, pattern)

  const running: OperatingPoint | null = circuit
    ? lost === null
      ? operate(circuit, { kind: 'three lines', lineVolts: volts }, m.load, m.hz)
      : operate(circuit, { kind: 'line open', open: lost, volts: m.serviceVolts }, m.load, m.hz, 'standstill')
    : null
  const single =
    m.phases === 1
      ? singlePhaseCurrent(
          { plateVolts: m.plateVolts, plateAmps: m.plateAmps, noLoadShare: 0.55 },
          m.load,
          m.serviceVolts,
        )
      : 0
  const lockedAmps = circuit ? balancedAt(circuit, 1, m.serviceVolts).amps : m.plateAmps * 3.4
  const ohms = circuit ? 2 * circuit.r1 : 8
  const wobble = (size: number) => size * (0.6 * random.normal())
  /** A clamp in the hand, or a probe tip: a little of the value and a little of the last digit. */
  const hand = (value: number, share: number, digit: number) => Math.max(0, value * (1 + wobble(share)) + wobble(digit))

  const legAmps = (position: string, seconds: number): Shown => {
    const k = index(legPositions, position)
    if (m.phases === 1) return shows(hand(single * (1 + 2.4 * Math.exp(-seconds / 0.5)), 0.003, 0.01))
    const settled = running?.lineAmps[k as 0 | 1 | 2] ?? 0
    if (settled < 0.05) return shows(Math.abs(wobble(0.02)))
    // The clamp goes on a running motor: what still moves is the fan finding its air.
    const drift = running?.turning === false ? 0 : 0.04 * Math.exp(-seconds / 1.1)
    const breaks = pattern === 'loose-lug' && k === 2 ? 0.86 + 0.12 * random.next() : 1
    return shows(hand(settled * (1 + drift) * breaks, 0.003, 0.02))
  }

  const lineVolts = (position: string): Shown => {
    const k = index(linePositions, position)
    if (m.phases === 1) return shows(hand(m.serviceVolts, 0.001, 0.2))
    if (lost === 1 && pattern === 'lost-leg')
      return shows(hand(k === 2 ? m.serviceVolts : m.serviceVolts / 2, 0.001, 0.3))
    return shows(hand(volts[k as 0 | 1 | 2] ?? m.serviceVolts, 0.001, 0.3))
  }

  const winding = (position: string): Shown => {
    if (m.phases === 1) {
      const k = ['A-B', 'B-C', 'C-A'].indexOf(position)
      return shows(hand([31, 23, 8][k] ?? 8, 0.002, 0.01))
    }
    if (pattern === 'winding-open' && position !== 'T2-T3') return over
    if (pattern === 'loose-lug' && position !== 'T1-T2')
      return random.next() < 0.2 ? over : shows(ohms * (1.05 + 0.5 * random.next()))
    const fault = pattern === 'winding-to-ground' && position !== 'T3-T1' ? 0.93 : 1
    return shows(hand(ohms * fault, 0.002, 0.004))
  }

  const toGround = (position: string): Shown => {
    if (pattern === 'winding-to-ground' && position === 'T2') return shows(hand(11.5, 0.01, 0.1))
    if (pattern === 'leg-and-ground' && position === 'T1') return shows(hand(94, 0.02, 0.5))
    return over
  }

  const dry = 260
  const megohms = (position: string, held: number): Shown => {
    if (pattern === 'winding-to-ground' && (position === 'T2' || position === 'all')) return shows(0)
    if (pattern === 'leg-and-ground' && (position === 'T1' || position === 'all')) return shows(0)
    // Charging dies out, the dry film absorbs: a straight line on double logarithmic paper.
    return shows(hand(dry * (Math.max(held, 5) / 60) ** 0.3, 0.006, 0.5))
  }

  const deadLeg = (position: string): Shown => {
    const k = index(legPositions, position)
    if (pattern !== 'half-disconnect') return shows(Math.abs(wobble(0.15)))
    return shows(k >= 0 ? hand(phase, 0.002, 0.3) : Math.abs(wobble(0.15)))
  }

  return {
    rotation: 'L1-L2-L3',
    turning: running?.turning ?? true,
    read(quantity, position, seconds) {
      switch (quantity) {
        case 'amps':
          return legAmps(position, seconds)
        case 'inrush': {
          const k = index(legPositions, position) as 0 | 1 | 2
          const settled = running?.lineAmps[k] ?? single
          return settled < 0.05
            ? shows(0)
            : shows(hand(settled + (1.25 * lockedAmps - settled) * Math.exp(-seconds / 0.7), 0.004, 0.1))
        }
        case 'start_amps':
          return shows(hand(single * (seconds < 1.2 ? 2.6 : 1), 0.004, 0.02))
        case 'volts_ll':
        case 'line_ll':
          return lineVolts(position)
        case 'volts_ln':
          return shows(hand(m.serviceVolts, 0.001, 0.1))
        case 'line_lg':
        case 'volts_lg':
          return shows(hand(pattern === 'lost-leg' && position === 'L2' ? 0 : phase, 0.001, 0.2))
        case 'proof_volts':
          return shows(hand(m.serviceVolts, 0.001, 0.2))
        case 'dead_ll':
          return shows(Math.abs(wobble(0.15)))
        case 'dead_lg':
          return deadLeg(position)
        case 'stored_volts':
          return shows(Math.max(0.1, 320 * Math.exp(-seconds / 0.8)))
        case 'winding_ohms':
          return winding(position)
        case 'ground_ohms':
          return toGround(position)
        case 'megohms':
          return megohms(position, 60)
        case 'megohms_at':
          return megohms('all', insulationTimes.find(([name]) => name === position)?.[1] ?? 60)
        case 'test_volts':
          return shows(hand(514, 0.001, 0.5))
        case 'temperature':
          return shows(hand(position === 'ambient' ? 22 : position === 'winding' ? 24 : 46, 0.004, 0.1))
        case 'capacitance':
          return shows(hand(m.capacitorUf ?? 0, 0.002, 0.01))
        case 'capacitor_volts':
          return shows(hand(1.55 * m.serviceVolts, 0.002, 0.3))
        case 'capacitor_amps':
          return shows(hand(2 * Math.PI * m.hz * (m.capacitorUf ?? 0) * 1e-6 * 1.55 * m.serviceVolts, 0.004, 0.005))
        case 'pole_ohms':
          return shows(hand(0.12, 0.05, 0.01))
        case 'fuse_ohms':
          return pattern === 'lost-leg' && position === 'L2' ? over : shows(hand(0.1, 0.05, 0.01))
        case 'contact_drop':
          return shows(hand(0.045, 0.05, 0.004))
        case 'control_volts': {
          const inward = m.serviceVolts * (pattern === 'transformer-high' ? 1.166 : 1)
          return shows(hand(position === 'in' ? inward : (inward * 24) / m.serviceVolts, 0.001, 0.05))
        }
        case 'transformer_in':
          return shows(hand(m.transformer?.ratedIn ?? m.serviceVolts, 0.001, 0.3))
        case 'transformer_out': {
          const out = m.transformer?.ratedOut ?? m.serviceVolts
          return shows(hand(out * (pattern === 'transformer-high' && position !== 'L1-L2' ? 1.24 : 1), 0.001, 0.2))
        }
        case 'ground_amps':
          if (pattern !== 'leg-and-ground') return shows(Math.abs(wobble(0.004)))
          return shows(hand(position === 'lines' ? 2.37 : 1.73, 0.004, 0.01))
        case 'off_amps':
          return shows(
            pattern === 'leg-and-ground' && position === 'L1' ? hand(2.37, 0.004, 0.01) : Math.abs(wobble(0.004)),
          )
        case 'roll_amps':
          return legAmps(position.slice(2), seconds + 4)
        case 'hz':
          return shows(hand(m.hz, 0.0004, 0.01))
        case 'rpm':
          return shows(hand(running?.turning === false ? 0 : (running?.rpm ?? 1100), 0.0006, 0.4))
        case 'start_seconds':
          return shows(seconds)
        case 'overload_dial':
          return shows(m.plateAmps)
        case 'lug_torque':
          return shows(4)
        case 'vibration':
          return shows(running?.turning === false ? 0 : hand(position.endsWith('A') ? 0.05 : 0.12, 0.03, 0.002))
        case 'filter_drop':
          return shows(running?.turning === false ? 0 : hand(0.32, 0.02, 0.005))
      }
    },
  }
}

/** Decimals a hand meter shows for a value of a quantity. */
export function meterDigits(quantity: QuantityCode, value: number): number {
  const unit = findQuantity(quantity)?.unit
  if (unit === 'A') return value >= 100 ? 0 : value >= 10 ? 1 : 2
  if (unit === 'ohm') return value >= 100 ? 0 : value >= 10 ? 1 : value >= 1 ? 2 : 3
  if (unit === 'Mohm') return value >= 100 ? 0 : value >= 10 ? 1 : 2
  if (unit === 'uF') return value >= 10 ? 1 : 2
  if (unit === 'V') return value >= 100 ? 0 : value >= 1 ? 1 : 2
  if (unit === 'Hz') return 1
  if (unit === 'in/s' || unit === 'inwg') return 2
  return unit === 'degC' ? 1 : 0
}

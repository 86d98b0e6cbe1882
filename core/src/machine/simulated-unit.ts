import { driveInput } from './drive-input.ts'
import { assemblyFor } from './assembly.ts'
import { circuitOfPlate } from './estimate.ts'
import { fanSide, ordinaryBelt, type RestingBelt } from './fan-side.ts'
import { balancedAt } from './circuit.ts'
import { seeded } from './random.ts'
import { solveRig, type Rig, type RigPoint } from './rig.ts'
import { singlePhaseCurrent } from './single-phase.ts'
import { leaksOf, rigOfPattern, type UnitPattern } from './unit-patterns.ts'
import type { Plate } from '../plate/index.ts'
import {
  findQuantity,
  insulationTimes,
  legPositions,
  linePositions,
  terminalPositions,
  type QuantityCode,
} from '../quantity/index.ts'

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
  /** The whole assembly as it stands, where the record knows enough of it. */
  readonly asFound?: Rig | null
  readonly belt?: RestingBelt
}

/** What a probe shows at one instant: in the quantity's own unit, or over the meter's range. */
export interface Shown {
  readonly value: number
  readonly over: boolean
}

/** Share of a leak that comes back over the ground wire. @source common practice: parallel metal carries the rest */
const wireShare = 0.73

/** Volts a sound pole drops. @source common practice */
const soundDrop = 0.045

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

/** Mean of a rectified three-phase line over its volts. @source 3√2/π */
const rectified = (3 * Math.SQRT2) / Math.PI

/**
 * A machine as its meters see it. Each quantity is read in the state in which it is taken: amps while it runs, ohms while
 * it is dead, off amps with the contactor open.
 * @param pattern what is wrong with it
 * @param seed makes the hand's wobble repeat
 * @throws RangeError when the plate gives no circuit of a three-phase motor
 */
export function simulatedUnit(m: SimulatedMachine, pattern: UnitPattern, seed: number): SimulatedUnit {
  const random = seeded(seed)
  const ofPlate = m.phases === 3 ? circuitOfPlate(m.plate, { volts: m.plateVolts, amps: m.plateAmps }, m.hz) : null
  if (m.phases === 3 && !ofPlate) throw new RangeError('plate gives no circuit')
  const circuit = ofPlate?.circuit ?? null
  const phase = m.serviceVolts / (m.phases === 3 ? Math.sqrt(3) : m.serviceVolts < 180 ? 1 : 2)
  // A stand-in for a fan that nobody measured: it loads the motor so, over an ordinary belt.
  const base = circuit
    ? ((pattern === 'as-found' ? m.asFound : null) ??
      assemblyFor({
        circuit,
        volts: m.serviceVolts,
        hz: m.hz,
        load: m.load,
        belt: { driver: 1, driven: 2 },
        wheel: 'forward-curved',
      }))
    : null
  const made = base && rigOfPattern(base, m.serviceVolts, m.plateAmps, pattern)
  const rig = made?.rigs[0] ?? null
  const points = made?.rigs.map(solveRig) ?? []
  const works = points[0] ?? null
  const broken = points[1] ?? works
  const running = works?.motor ?? null
  const leaks = leaksOf(pattern)
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
    // A lug that breaks passes what lies between its two states.
    const share = points.length > 1 ? random.next() : 0
    const at = (p: RigPoint | null) => p?.motor.lineAmps[k as 0 | 1 | 2] ?? 0
    const settled = at(works) * (1 - share) + at(broken) * share
    if (settled < 0.05) return shows(Math.abs(wobble(0.02)))
    // The clamp goes on a running motor: what still moves is the fan finding its air.
    const drift = running?.turning === false ? 0 : 0.04 * Math.exp(-seconds / 1.1)
    return shows(hand(settled * (1 + drift), 0.003, 0.02))
  }

  /** Ahead of a drive: what its rectifier takes for the power that the motor has. */
  const inputAmps = (position: string): Shown => {
    const { amps } = driveInput([m.serviceVolts, m.serviceVolts, m.serviceVolts], running?.inputWatts ?? 0)
    return shows(hand(amps[index(legPositions, position) as 0 | 1 | 2], 0.004, 0.02))
  }

  /** Volts between two lines, ahead of the starter and behind a transformer of the unit's own. */
  const lineVolts = (position: string): Shown => {
    const k = index(linePositions, position) as 0 | 1 | 2
    if (m.phases === 1) return shows(hand(m.serviceVolts, 0.001, 0.2))
    const ratio = rig?.stage?.kind === 'transformer' ? rig.stage.ratio[k] : 1
    return shows(hand((made?.ahead[k] ?? m.serviceVolts) * ratio, 0.001, 0.3))
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

  const leakAt = (position: string): number | null =>
    position === 'all'
      ? (leaks.find((ohms) => ohms !== null) ?? null)
      : (leaks[index(terminalPositions, position) as 0 | 1 | 2] ?? null)

  const toGround = (position: string): Shown => {
    const leak = leakAt(position)
    return leak === null ? over : shows(hand(leak, 0.015, 0.3))
  }

  const dry = 260
  const megohms = (position: string, held: number): Shown => {
    // A breakthrough of some ohms is below the last digit of any insulation tester.
    if (leakAt(position) !== null) return shows(0)
    // Charging dies out, the dry film absorbs: a straight line on double logarithmic paper.
    return shows(hand(dry * (Math.max(held, 5) / 60) ** 0.3, 0.006, 0.5))
  }

  /** What is fed to a transformer, over what it is built for. */
  const ahead = (position: string) =>
    (made?.ahead[index(linePositions, position) as 0 | 1 | 2] ?? m.serviceVolts) / m.serviceVolts

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
        case 'drive_amps':
          return legAmps('L1', seconds)
        case 'input_amps':
          return inputAmps(position)
        case 'drive_volts':
          return lineVolts('L1-L2')
        case 'bus_volts':
          return shows(hand(rectified * m.serviceVolts, 0.001, 1))
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
          return shows(hand(spots[position] ?? 46, 0.004, 0.1))
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
          // Where nothing is known of its poles they are sound ones.
          return shows(hand(works?.drop[index(legPositions, position) as 0 | 1 | 2] || soundDrop, 0.05, 0.004))
        case 'control_volts': {
          // It hangs on one of the pairs that a transformer of the unit raises.
          const inward =
            rig?.stage?.kind === 'transformer' ? (made?.ahead[1] ?? 0) * rig.stage.ratio[1] : m.serviceVolts
          return shows(hand(position === 'in' ? inward : (inward * 24) / m.serviceVolts, 0.001, 0.05))
        }
        case 'transformer_in':
          return shows(hand((m.transformer?.ratedIn ?? m.serviceVolts) * ahead(position), 0.001, 0.3))
        case 'transformer_out': {
          const k = index(linePositions, position) as 0 | 1 | 2
          const ratio = rig?.stage?.kind === 'transformer' ? rig.stage.ratio[k] : 1
          return shows(hand((m.transformer?.ratedOut ?? m.serviceVolts) * ahead(position) * ratio, 0.001, 0.2))
        }
        case 'ground_amps':
          if (pattern !== 'leg-and-ground') return shows(Math.abs(wobble(0.004)))
          // Metal beside the wire takes its share of what comes back.
          return shows(hand((works?.groundAmps ?? 0) * (position === 'lines' ? 1 : wireShare), 0.004, 0.01))
        case 'off_amps':
          // Its contact stays closed on the leg of the broken winding: what leaks is what flows.
          return shows(
            pattern === 'leg-and-ground' && position === 'L1'
              ? hand(works?.groundAmps ?? 0, 0.004, 0.01)
              : Math.abs(wobble(0.004)),
          )
        case 'roll_amps':
          return legAmps(position.slice(2), seconds + 4)
        case 'hz':
          return shows(hand(m.hz, 0.0004, 0.01))
        case 'lead_ohms':
          return shows(0.12)
        case 'flue_oxygen':
          return shows(hand(7.2, 0.01, 0.05))
        case 'flue_co':
          return shows(hand(22, 0.03, 0.5))
        case 'start_tries':
          return shows(1)
        case 'start_seconds':
          return shows(seconds)
        case 'overload_dial':
          return shows(m.plateAmps)
        case 'lug_torque':
          return shows(4)
        default: {
          const told =
            rig && works ? fanSide(rig, works, m.belt ?? ordinaryBelt, quantity, position) : ofSmallFan(quantity)
          if (told === null) throw new RangeError(`quantity ${quantity} is read nowhere on this unit`)
          return shows(running?.turning === false ? 0 : hand(told, 0.01, 0.002))
        }
      }
    },
  }
}

/** Temperatures of a unit that has run for a while, °C; a shell and its bearings are as warm as each other. */
const spots: Readonly<Record<string, number>> = { ambient: 22, winding: 24, stack: 195 }

/** What a small single-phase fan reads on its own side: it has neither a belt nor a duct worth the name. */
function ofSmallFan(quantity: QuantityCode): number {
  const read: Partial<Record<QuantityCode, number>> = {
    rpm: 1100,
    vibration: 0.08,
    vibration_hz: 18.3,
    filter_drop: 0.2,
    static_pressure: 0.15,
    air_flow: 900,
    sound: 58,
    sound_distance: 3,
  }
  return read[quantity] ?? 0
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
  if (unit === 'in/s' || unit === 'inwg' || unit === 'in') return 2
  if (unit === 'lbf' || unit === 'dBA') return 1
  return unit === 'degC' ? 1 : 0
}

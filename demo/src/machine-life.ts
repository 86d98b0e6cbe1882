import {
  assemblyFor,
  circuitOfPlate,
  singlePhaseCurrent,
  solveRig,
  type Random,
  type Rig,
  type RigFaults,
  type RigPoint,
} from '@motor-round/core/machine'
import { pitchAtTurns } from '@motor-round/core/drivetrain'
import { allowedCurrent, type Plate } from '@motor-round/core/plate'
import { convert, vibrationPositions, type Reading, type ThreePhase } from '@motor-round/core/quantity'
import { unsaid, type VisitState } from '@motor-round/core/trend'
import { wheelTypeOf, type DriveTrain } from './drive-train.ts'
import type { MachineSpec } from './places.ts'

const dayMs = 86_400_000

/** A machine as the generator runs it. */
export interface Life {
  readonly spec: MachineSpec
  readonly service: number
  readonly story: string | undefined
  /** Shaft load as a share of rated when healthy. */
  readonly load: number
  /** Small standing differences of the three line voltages of this board. */
  readonly lean: ThreePhase
  /** Standing difference of the three windings and clamps. */
  readonly windings: ThreePhase
  /** Belts, wheel and duct; null for a single-phase fan. */
  readonly drive: DriveTrain | null
  /** Turns the sheave stood open some days before now. */
  readonly turnsAt: (daysAgo: number) => number
}

const meter = (amps: number) => (amps >= 10 ? Math.round(amps * 10) / 10 : Math.round(amps * 100) / 100)
const to = (value: number, digits: number) => Number(value.toFixed(digits))

const nominalVolts: Readonly<Record<number, number>> = { 600: 597, 480: 478, 400: 402, 208: 208, 120: 120 }
const nominal = (service: number) => nominalVolts[service] ?? service

/** What the story has done to the assembly by then: the faults grow as they do. */
function faultsAt(life: Life, daysAgo: number, last: boolean): RigFaults {
  const years = daysAgo / 365
  switch (life.story) {
    case 'bearing-drags':
      return { drag: 0.12 * life.load * 745.7 * life.spec.size * Math.max(0, 1.5 - years) }
    case 'filter-wall':
      return { restriction: 1 + 1.7 * Math.max(0, 1 - years) }
    case 'twin-off':
      // One wheel on the duct of two has it to itself.
      return last ? { restriction: 0.62 } : {}
    case 'damper-shut':
      return daysAgo < 320 ? { restriction: 1.75 } : {}
    case 'wheel-backward':
      return daysAgo < 45 ? { backward: true } : {}
    case 'wheel-dirty':
      return { wheel: 1 - 0.05 * Math.max(0, 2 - years) }
    default:
      return {}
  }
}

function voltsAt(life: Life, last: boolean, random: Random): ThreePhase {
  const level = life.story === 'low-volts' ? 0.962 : 1
  const sag = life.story === 'supply-unbalance' && last ? 0.955 : 1
  const each = (k: 0 | 1 | 2) => nominal(life.service) * level * (1 + life.lean[k] + 0.0004 * random.normal())
  const drift = 1 + 0.003 * random.normal()
  return [Math.round(each(0) * drift), Math.round(each(1) * sag * drift), Math.round(each(2) * drift)]
}

/** The column of a plate in force, and what a plate whose amps are gone still belongs to: what its size draws. */
function ratingOf(life: Life, plate: Plate, powerFactor: number): { volts: number; amps: number } {
  const allowed = allowedCurrent(plate, null, life.service)
  const volts = allowed?.columnVolts ?? life.service
  const watts = (plate.power ?? 1) * (plate.powerUnit === 'kW' ? 1000 : 745.7)
  return {
    volts,
    amps: allowed?.amps ?? watts / (Math.sqrt(3) * volts * (plate.efficiency ?? 0.85) * powerFactor),
  }
}

/** The assembly as it was built, around the motor it was built with. */
export function buildRig(life: Life, plate: Plate, powerFactor: number): Rig {
  const made = circuitOfPlate(plate, ratingOf(life, plate, powerFactor), life.service === 400 ? 50 : 60)
  if (!made) throw new RangeError(`no circuit for the plate of ${life.spec.unit} ${life.spec.tag}`)
  const { drive } = life
  const driver =
    drive && (drive.sheave.type === 'fixed' ? drive.sheave.pitch : pitchAtTurns(drive.sheave, drive.sheave.turns))
  return assemblyFor({
    circuit: made.circuit,
    volts: nominal(life.service),
    hz: life.service === 400 ? 50 : 60,
    load: life.load,
    belt: drive && driver !== null ? { driver, driven: drive.driven.pitch } : null,
    wheel: wheelTypeOf(life.spec),
    pressure: drive?.pressure ?? 150,
  })
}

/** A make-up fan takes its air from outside: denser in January. Days before a 25 November. */
const weather = (life: Life, daysAgo: number) =>
  life.spec.kind === 'MAU' ? 1 + 0.035 * Math.cos((2 * Math.PI * (daysAgo + 51)) / 365.25) : 1

/** The assembly on a day: its faults, its sheave as it stood, the motor that was in it, the weather. */
function rigOn(
  life: Life,
  built: Rig,
  motor: { plate: Plate; powerFactor: number },
  daysAgo: number,
  last: boolean,
  volts: ThreePhase,
  random: Random,
): Rig {
  const made = circuitOfPlate(motor.plate, ratingOf(life, motor.plate, motor.powerFactor), built.hz)
  if (!made) throw new RangeError(`no circuit for the plate of ${life.spec.unit} ${life.spec.tag}`)
  const sheave = life.drive?.sheave
  const driver = sheave?.type === 'adjustable' ? pitchAtTurns(sheave, life.turnsAt(daysAgo)) : (built.belt?.driver ?? 1)
  // A belt that lost its grip carries less than the fan asks for.
  const carries = (built.belt?.carries ?? 1) * (life.story === 'belt-slips' && last ? 0.42 : 1)
  return {
    ...built,
    circuit: made.circuit,
    supply: { kind: 'three lines', lineVolts: volts },
    belt: built.belt && { ...built.belt, driver, carries },
    density: weather(life, daysAgo) * (1 + 0.006 * random.normal()),
    faults: faultsAt(life, daysAgo, last),
  }
}

/** Housings by a spot meter: warm by their speed, warmer where one drags. */
function bearingHeat(life: Life, daysAgo: number, random: Random): Reading[] {
  const drags = life.story === 'bearing-drags' ? Math.max(0, 1.6 - daysAgo / 365) * 14 : 0
  const at = (position: string, more: number): Reading => ({
    quantity: 'temperature',
    position,
    value: Math.round(37 + more + 1.5 * random.normal()),
  })
  return [at('bearing-de', 4 + drags), at('bearing-ode', 0)]
}

/** What is read on the fan's side once a year: vibration, pressures, speed. */
function driveReadings(life: Life, rig: Rig, point: RigPoint, daysAgo: number, random: Random): Reading[] {
  const inwg = (pascals: number) => to(convert(pascals, 'Pa', 'inwg') * (1 + 0.012 * random.normal()), 2)
  const years = daysAgo / 365
  const shaking = life.story === 'vibration-grows' ? 1 + 1.2 * Math.max(0, 2.6 - years) : 1
  const shut = Math.max(1, rig.faults?.restriction ?? 1)
  const across = point.pressure
  return [
    ...vibrationPositions.map((position, i): Reading => ({
      quantity: 'vibration',
      position,
      value: to(
        (i % 3 === 2 ? 0.04 : 0.1) * (i < 3 ? shaking : 1 + (shaking - 1) * 0.5) * (1 + 0.08 * random.normal()),
        2,
      ),
    })),
    ...bearingHeat(life, daysAgo, random),
    { quantity: 'rpm', position: 'driven', value: Math.round(point.fanRpm * (1 + 0.001 * random.normal())) },
    ...(life.spec.kind === 'EF'
      ? []
      : [
          {
            quantity: 'filter_drop',
            position: 'filter',
            value: inwg(life.story === 'filter-wall' ? across * (1 - 0.85 / shut) : Math.min(0.3 * across, 85)),
          } as const,
        ]),
    // A tenth of a cfm is no air: rounded as a hood shows it.
    {
      quantity: 'air_flow',
      position: 'fan',
      value: Math.round((convert(point.flow, 'm3/s', 'cfm') * (1 + 0.02 * random.normal())) / 10) * 10,
    },
    { quantity: 'static_pressure', position: 'supply', value: inwg(across * 0.6) },
    { quantity: 'static_pressure', position: 'return', value: inwg(across * 0.4) },
  ]
}

/** The readings of one visit, made by the rig and read with a meter's last digit. */
export function readingsAt(
  life: Life,
  built: Rig | null,
  motor: { plate: Plate; powerFactor: number },
  when: { readonly daysAgo: number; readonly last: boolean; readonly whole: boolean },
  random: Random,
): Reading[] {
  const { spec } = life
  const { daysAgo, last } = when
  const volts = voltsAt(life, last, random)
  if (!built) {
    const rating = ratingOf(life, motor.plate, motor.powerFactor)
    const load = life.load * (1 + 0.006 * random.normal())
    const model = { plateVolts: rating.volts, plateAmps: rating.amps, noLoadShare: 0.55 }
    const amps = singlePhaseCurrent(model, load, volts[0]) * (1 + 0.004 * random.normal())
    const at = life.service === 120 ? (['volts_ln', 'L1-N'] as const) : (['volts_ll', 'L1-L2'] as const)
    return [
      { quantity: at[0], position: at[1], value: volts[0] },
      { quantity: 'amps', position: 'L1', value: meter(amps) },
    ]
  }
  const rig = rigOn(life, built, motor, daysAgo, last, volts, random)
  const point = solveRig(rig)
  let amps: number[] = point.motor.lineAmps.map((a, k) => a * (life.windings[k] ?? 1) * (1 + 0.003 * random.normal()))
  if (life.story === 'loose-lug' && daysAgo < 150)
    amps = [amps[0] ?? 0, amps[1] ?? 0, (amps[2] ?? 0) * (last ? 0.87 : 0.94)]
  if (life.story === 'lost-leg' && last) amps = [0.3, (amps[1] ?? 0) * 1.86, (amps[2] ?? 0) * 1.81]
  const legs = ['L1', 'L2', 'L3']
  const lines = ['L1-L2', 'L2-L3', 'L3-L1']
  return [
    ...volts.map((value, k): Reading => ({ quantity: 'volts_ll', position: lines[k] ?? '', value })),
    ...amps.map((value, k): Reading => ({ quantity: 'amps', position: legs[k] ?? '', value: meter(value) })),
    ...(spec.vfd ? [{ quantity: 'hz', position: 'motor', value: 60 } as const] : []),
    ...(when.whole && life.drive ? driveReadings(life, rig, point, daysAgo, random) : []),
  ]
}

/** The state a visit was taken in. */
export function stateAt(life: Life, last: boolean): VisitState {
  return {
    ...unsaid,
    settled: true,
    mode: 'normal',
    filters: life.story === 'filter-wall' && last ? 'dirty' : null,
    panels: 'on',
    twin: life.spec.twin ? (life.story === 'twin-off' && last ? 'off' : 'running') : null,
    turning: 'right way',
  }
}

/** Days on which a machine was visited, as days before now, oldest first: about every nine weeks for four years. */
export function visitDays(random: Random, lastSeen: number): number[] {
  const days: number[] = []
  for (let d = lastSeen; d < 4 * 365; d += 61 + Math.round(6 * random.normal())) days.push(d)
  return days.reverse()
}

/** The instant some days before another. */
export const daysBefore = (now: Date, days: number): Date => new Date(now.getTime() - days * dayMs)

import { driveAt, partAt, unknownLayout } from '../installed/index.ts'
import { contextOf, type Context, type InstalledMotor, type JudgeInput } from '../judge/index.ts'
import { loadByCircuit, operate } from '../machine/index.ts'
import { convert, mean } from '../quantity/index.ts'
import { breaksTrend, meanVolts, valueOf, valuesAt, type Visit } from '../trend/index.ts'
import type { DriveShaft, DriveToday } from './today.ts'

/** What has to be entered for a speed change besides what is on record. */
export interface Told {
  readonly fixed: number
  readonly hours: number
  readonly price: number
}

/** Running by the clock all year, and a price to be overwritten. */
export const usuallyTold: Told = { fixed: 0, hours: 5000, price: 0.12 }

function shaftAt(input: JudgeInput, at: number): DriveShaft | null {
  const parts = input.parts ?? []
  const shaft = partAt(parts, 'shaft', at)
  const de = partAt(parts, 'bearing-de', at)
  const ode = partAt(parts, 'bearing-ode', at)
  const mass = partAt(parts, 'wheel', at)?.mass
  if (shaft?.overhang == null || shaft.apart === null || mass == null) return null
  if (de?.capacity == null || ode?.capacity == null) return null
  return { overhang: shaft.overhang, apart: shaft.apart, mass, capacity: [de.capacity, ode.capacity], type: de.type }
}

/**
 * What was read of the air and the fan's speed: at this visit, or at the latest before it as long as neither sheave, belt,
 * wheel nor drive was touched since.
 */
function sinceSpeed(input: JudgeInput) {
  const { visit, history, work } = input
  const touched = work.filter((w) => w.at <= visit.at && breaksTrend(w.kind, 'rpm')).map((w) => w.at)
  const since = Math.max(-Infinity, ...touched)
  const earlier = history.filter((s) => s.at < visit.at && s.at >= since).sort((a, b) => b.at - a.at)
  return (quantity: 'rpm' | 'air_flow' | 'static_pressure'): Visit['readings'] =>
    [visit, ...earlier].find((s) => s.readings.some((r) => r.quantity === quantity))?.readings ?? []
}

/** The motor that was installed after the visit and is in place: the change will be made with that one. */
const motorThatRuns = ({ visit, motors }: JudgeInput): InstalledMotor | null =>
  (motors ?? []).find((m) => m.installedAt > visit.at && (m.removedAt ?? null) === null) ?? null

/**
 * Amps as the motor that is in place now would have drawn them for the same fan; each leg keeps its share.
 * @returns null where either plate gives no circuit, or the amps do not fit it
 */
function legsOnAnother(
  legs: readonly number[],
  volts: number,
  hz: number,
  read: Pick<Context, 'circuit'>,
  there: Pick<Context, 'circuit'>,
): readonly number[] | null {
  const from = read.circuit?.circuit
  const to = there.circuit?.circuit
  if (!from || !to) return null
  const load = loadByCircuit(from, mean(legs), volts, hz)
  if (load === null) return null
  const lineVolts = [volts, volts, volts] as const
  const point = operate(to, { kind: 'three lines', lineVolts }, (load * from.watts) / to.watts, hz)
  return point.rpm === 0 ? null : legs.map((a) => (a / mean(legs)) * mean(point.lineAmps))
}

/** Why a visit is no start for a speed change. */
export type NotToday = 'no amps' | 'no volts' | 'no plate amps' | 'no sheaves' | 'another motor'

/**
 * A visit of a machine as a speed change starts from it: its amps, its motor, its drive as it stood then.
 * @returns the word for what is missing where it gives no point to start from
 */
export function todayOf(
  input: JudgeInput,
  told: Told = usuallyTold,
  misses: readonly number[] = [],
): DriveToday | NotToday {
  const { visit, machine, motor } = input
  const c = contextOf(input)
  const legs = c.legsRead.map((l) => l.amps).filter((a) => a > 0)
  if (legs.length === 0) return 'no amps'
  const plateAmps = c.allowed?.motorAmps ?? c.allowed?.amps ?? null
  if (plateAmps === null) return 'no plate amps'
  const hz = machine.hasVfd ? (c.hz ?? c.supplyHz) : c.supplyHz
  // A drive gives the motor volts in proportion to its hertz; the line's volts are not the motor's.
  const volts = machine.hasVfd
    ? (c.allowed?.columnVolts ?? machine.serviceVolts) * Math.min(1, hz / c.supplyHz)
    : meanVolts(visit)
  if (volts === null || volts <= 0) return 'no volts'
  const drive =
    machine.drive === 'belt' ? driveAt(input.parts ?? [], input.work, input.layout ?? unknownLayout, visit.at) : null
  if (drive === null && !machine.hasVfd) return 'no sheaves'
  const runs = motorThatRuns(input)
  const there = runs ? contextOf({ ...input, motor: runs }) : c
  const onIt = runs ? legsOnAnother(legs, volts, hz, c, there) : legs
  if (onIt === null) return 'another motor'
  const parts = input.parts ?? []
  const wheel = partAt(parts, 'wheel', visit.at)
  const read = sinceSpeed(input)
  const pressures = valuesAt(read('static_pressure'), 'static_pressure', ['supply', 'return'])
  const flow = valueOf(read('air_flow'), 'air_flow')
  const across = pressures.every((p) => p === undefined)
    ? null
    : // What the fan makes is from the suction of the return side to the supply side.
      (pressures[0] ?? 0) + (pressures[1] ?? 0)
  return {
    phases: machine.phases,
    legs: onIt,
    volts,
    hz,
    onDrive: machine.hasVfd,
    units: input.machine.units,
    allowed: there.allowed?.amps ?? null,
    plateAmps: there.allowed?.motorAmps ?? there.allowed?.amps ?? plateAmps,
    plateRpm: (runs ?? motor)?.plate.rpm ?? 0.96 * c.supplyHz * 30,
    circuit: there.circuit?.circuit ?? null,
    drive,
    fanRpm: valuesAt(read('rpm'), 'rpm', ['driven'])[0] ?? null,
    wheel: wheel ? { type: wheel.type, greatestRpm: wheel.greatestRpm } : null,
    flow: flow === undefined ? null : convert(flow, 'cfm', 'm3/s'),
    pressure: across === null ? null : convert(across, 'inwg', 'Pa'),
    shaft: shaftAt(input, visit.at),
    misses,
    ...told,
  }
}

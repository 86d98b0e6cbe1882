import { circuitOfPlate, operate, singlePhaseCurrent, type Random } from '@motor-round/core/machine'
import { allowedCurrent, type Plate } from '@motor-round/core/plate'
import type { Reading, ThreePhase } from '@motor-round/core/quantity'
import { unsaid, type StopState } from '@motor-round/core/trend'
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
}

const meter = (amps: number) => (amps >= 10 ? Math.round(amps * 10) / 10 : Math.round(amps * 100) / 100)

/** Load at a time before now, with what the story does to it. */
function loadAt(life: Life, daysAgo: number, last: boolean): number {
  const years = daysAgo / 365
  switch (life.story) {
    case 'sheave-closed':
      return daysAgo < 77 ? life.load * 1.19 : life.load
    case 'belt-slips':
      return last ? life.load * 0.83 : life.load
    case 'bearing-drags':
      return life.load * (1 + 0.13 * Math.max(0, 1.5 - years))
    case 'filter-wall':
      return life.load * (1 - 0.22 * Math.max(0, 1 - years))
    case 'twin-off':
      return last ? life.load * 1.26 : life.load
    default:
      return life.load
  }
}

function voltsAt(life: Life, last: boolean, random: Random): ThreePhase {
  const nominal =
    life.service === 600
      ? 597
      : life.service === 480
        ? 478
        : life.service === 400
          ? 402
          : life.service === 208
            ? 208
            : 120
  const level = life.story === 'low-volts' ? 0.962 : 1
  const sag = life.story === 'supply-unbalance' && last ? 0.955 : 1
  const each = (k: 0 | 1 | 2) => nominal * level * (1 + life.lean[k] + 0.0004 * random.normal())
  const drift = 1 + 0.003 * random.normal()
  return [Math.round(each(0) * drift), Math.round(each(1) * sag * drift), Math.round(each(2) * drift)]
}

/** The readings of one stop, made by the motor model and read with a meter's last digit. */
export function readingsAt(
  life: Life,
  plate: Plate,
  daysAgo: number,
  last: boolean,
  powerFactor: number,
  random: Random,
): Reading[] {
  const { spec } = life
  const allowed = allowedCurrent(plate, null, life.service)
  const plateVolts = allowed?.columnVolts ?? life.service
  // A plate whose amps are gone still belongs to a motor that has some: what its size draws.
  const watts = (plate.power ?? 1) * (plate.powerUnit === 'kW' ? 1000 : 745.7)
  const plateAmps = allowed?.amps ?? watts / (Math.sqrt(3) * plateVolts * (plate.efficiency ?? 0.85) * powerFactor)
  const load = loadAt(life, daysAgo, last) * (1 + 0.006 * random.normal())
  const volts = voltsAt(life, last, random)
  if (spec.phases === 1) {
    const v = volts[0]
    const model = { plateVolts, plateAmps, noLoadShare: 0.55 }
    const amps = singlePhaseCurrent(model, load, v) * (1 + 0.004 * random.normal())
    const at = life.service === 120 ? (['volts_ln', 'L1-N'] as const) : (['volts_ll', 'L1-L2'] as const)
    return [
      { quantity: at[0], position: at[1], value: v },
      { quantity: 'amps', position: 'L1', value: meter(amps) },
    ]
  }
  const hz = life.service === 400 ? 50 : 60
  const made = circuitOfPlate(plate, { volts: plateVolts, amps: plateAmps }, hz)
  if (!made) throw new RangeError(`no circuit for the plate of ${spec.unit} ${spec.tag}`)
  let amps: number[] = operate(made.circuit, { kind: 'three lines', lineVolts: volts }, load, hz).lineAmps.map(
    (a, k) => a * (life.windings[k] ?? 1) * (1 + 0.003 * random.normal()),
  )
  if (life.story === 'loose-lug' && daysAgo < 150)
    amps = [amps[0] ?? 0, amps[1] ?? 0, (amps[2] ?? 0) * (last ? 0.87 : 0.94)]
  if (life.story === 'lost-leg' && last) amps = [0.3, (amps[1] ?? 0) * 1.86, (amps[2] ?? 0) * 1.81]
  const legs = ['L1', 'L2', 'L3']
  const lines = ['L1-L2', 'L2-L3', 'L3-L1']
  return [
    ...volts.map((value, k): Reading => ({ quantity: 'volts_ll', position: lines[k] ?? '', value })),
    ...amps.map((value, k): Reading => ({ quantity: 'amps', position: legs[k] ?? '', value: meter(value) })),
    ...(spec.vfd ? [{ quantity: 'hz', position: 'motor', value: 60 } as const] : []),
  ]
}

/** The state a stop was taken in. */
export function stateAt(life: Life, last: boolean): StopState {
  return {
    ...unsaid,
    settled: true,
    mode: 'normal',
    filters: life.story === 'filter-wall' && last ? 'dirty' : null,
    panels: 'on',
    sister: life.spec.sister ? (life.story === 'twin-off' && last ? 'off' : 'running') : null,
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

import { driveAt, partAt, unknownLayout, type DriveStands, type FittedWheel } from '../fitted/index.ts'
import { limitInForce, type LimitId, type LimitInForce } from '../limits/index.ts'
import { circuitOfPlate, type PlateCircuit } from '../machine/index.ts'
import { allowedCurrent, plateHertz, type AllowedCurrent } from '../plate/index.ts'
import {
  legPositions,
  linePositions,
  mean,
  neutralPositions,
  type QuantityCode,
  type Reading,
  type ThreePhase,
} from '../quantity/index.ts'
import {
  comparable,
  dayMs,
  drift,
  epochAt,
  loadPoint,
  meanVolts,
  median,
  seasonOf,
  stepChange,
  thin,
  usualRange,
  valueOf,
  valuesAt,
  type Drift,
  type Epoch,
  type LoadPoint,
  type Season,
  type StepChange,
  type Stop,
  type Usual,
} from '../trend/index.ts'
import type { JudgeInput } from './input.ts'

/** What every check needs, worked out once. */
export interface Context extends JudgeInput {
  readonly allowed: AllowedCurrent | null
  /** Amps by leg as read; undefined where a leg was not read. */
  readonly legs: readonly (number | undefined)[]
  readonly legsRead: readonly { readonly name: string; readonly amps: number }[]
  readonly threeAmps: ThreePhase | null
  readonly threeVolts: ThreePhase | null
  /** Every line voltage read, for a single-phase machine the one. */
  readonly volts: readonly { readonly name: string; readonly volts: number }[]
  readonly hz: number | undefined
  readonly point: LoadPoint | null
  readonly epoch: Epoch
  /** Earlier comparable points of this epoch, oldest first. */
  readonly past: readonly LoadPoint[]
  readonly usual: Usual | null
  /** The usual range of comparable stops before this epoch began. */
  readonly before: Usual | null
  readonly drift: Drift
  /** The yearly swing of this epoch's amps; null where there is none beyond chance. */
  readonly season: Season | null
  /** A step within this epoch that no work explains; null without one. */
  readonly step: StepChange | null
  /** Belt drive and wheel as the book has them at this stop; null where it does not. */
  readonly drive: DriveStands | null
  readonly wheel: FittedWheel | null
  readonly limit: (id: LimitId) => LimitInForce
  /** Hertz of the supply; a drive's output is `hz`. */
  readonly supplyHz: number
  /** The motor's equivalent circuit, where its plate allows one. */
  readonly circuit: PlateCircuit | null
  readonly reading: (quantity: QuantityCode, position: string) => Reading | undefined
  readonly value: (quantity: QuantityCode, position: string) => number | undefined
  readonly has: (...quantities: readonly QuantityCode[]) => boolean
  readonly answer: (id: string) => string | undefined
}

function three(values: readonly (number | undefined)[]): ThreePhase | null {
  const [a, b, c] = values
  return a !== undefined && b !== undefined && c !== undefined ? [a, b, c] : null
}

const longestHistory = 400

/**
 * The volts to which a machine's amps are referred before they are compared: the median of what was found there, so
 * that the figures stay those of the clamp and only the swings of the supply are taken out.
 */
export function referenceVolts(history: readonly Stop[], stop: Stop): number | null {
  const found = [...history, stop].flatMap((s) => meanVolts(s) ?? []).filter((v) => v > 0)
  return found.length === 0 ? null : median(found)
}

/** Work out the context of a stop. @throws RangeError when the service volts are not above zero */
export function contextOf(input: JudgeInput): Context {
  const { machine, motor, stop, rules } = input
  const allowed = allowedCurrent(
    motor?.plate ?? null,
    machine.unitPlate,
    machine.serviceVolts,
    motor?.connectionVolts ?? undefined,
  )
  const legNames = machine.phases === 3 ? legPositions : legPositions.slice(0, 1)
  const legs = valuesAt(stop.readings, 'amps', legNames)
  const line = valuesAt(stop.readings, 'volts_ll', linePositions)
  const neutral = valuesAt(stop.readings, 'volts_ln', neutralPositions)
  const named = (names: readonly string[], values: readonly (number | undefined)[]) =>
    values.flatMap((v, i) => (v === undefined ? [] : [{ name: names[i] ?? '', volts: v }]))
  const read = named(linePositions, line)
  const epoch = epochAt(input.work, 'amps', stop.at)
  const reference = referenceVolts(input.history, stop)
  const point = loadPoint(stop, reference)
  const comparablePoints = (from: number | null, to: number) =>
    thin(
      input.history
        .filter((s) => s.at < to && (from === null || s.at >= from) && comparable(s, stop))
        .sort((x, y) => x.at - y.at),
      longestHistory,
    ).flatMap((s) => {
      const p = loadPoint(s, reference)
      // A point with a leg missing or lost would drag the mean; the trend is of whole readings.
      return p && p.legs.length === machine.phases && Math.min(...p.legs) > 0.5 * Math.max(...p.legs) ? [p] : []
    })
  const past = comparablePoints(epoch.from, stop.at)
  const earlier = epoch.from === null ? [] : comparablePoints(null, epoch.from)
  const whole = point && point.legs.length === machine.phases && stop.state.settled !== false ? [point] : []
  const supplyHz =
    machine.serviceVolts === 400 || machine.serviceVolts === 230 ? 50 : (plateHertz(motor?.plate.hz)[0] ?? 60)
  const find = (quantity: QuantityCode, position: string) =>
    stop.readings.find((r) => r.quantity === quantity && r.position === position)
  const parts = input.parts ?? []
  const since = stop.at - limitInForce('trend-window', rules).value * dayMs
  const fitted = [...past.filter((p) => p.at >= since), ...whole]
  const asPoint = (p: LoadPoint) => ({ at: p.at, value: p.normal })
  // A swing shows over more than a year: all of the epoch tells it, whatever the window of the trend.
  const season = seasonOf([...past, ...whole].map(asPoint))
  // What the weather does to a fan of outside air is neither drift nor step.
  const still = fitted.map(asPoint).map((p) => (season ? { at: p.at, value: season.without(p.at, p.value) } : p))
  return {
    ...input,
    allowed,
    legs,
    legsRead: legs.flatMap((a, i) => (a === undefined ? [] : [{ name: legPositions[i] ?? '', amps: a }])),
    threeAmps: machine.phases === 3 ? three(legs) : null,
    threeVolts: machine.phases === 3 ? three(line) : null,
    volts: read.length > 0 ? read : named(neutralPositions, neutral),
    hz: valueOf(stop.readings, 'hz'),
    point,
    epoch,
    past,
    usual: usualRange(past.map((p) => p.normal)),
    before: usualRange(earlier.map((p) => p.normal)),
    drift: drift(still, allowed?.amps ?? null, (allowed?.amps ?? mean(fitted.map((p) => p.normal).concat(1))) * 0.01),
    season,
    step: stepChange(still, limitInForce('change-watch', rules).value),
    drive: machine.drive === 'belt' ? driveAt(parts, input.work, input.layout ?? unknownLayout, stop.at) : null,
    wheel: partAt(parts, 'wheel', stop.at),
    limit: (id) => limitInForce(id, rules),
    supplyHz,
    circuit:
      machine.phases === 3 && motor && allowed?.motorAmps != null
        ? circuitOfPlate(motor.plate, { volts: allowed.columnVolts, amps: allowed.motorAmps }, supplyHz)
        : null,
    reading: find,
    value: (quantity, position) => find(quantity, position)?.value,
    has: (...codes) => stop.readings.some((r) => codes.includes(r.quantity)),
    answer: (id) => stop.answers?.[id],
  }
}

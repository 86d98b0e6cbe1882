import { settings } from '../drivetrain/index.ts'
import { requirePositive } from '../quantity/index.ts'
import { predict, type Prediction } from './predict.ts'
import { refusalsOf, type Refusals } from './refusals.ts'
import { stockSheaves } from './stock-sheaves.ts'
import type { DriveToday, SpeedChange } from './today.ts'

/** What is wanted: mean amps at most, or a fan speed, a flow (m³/s) or a pressure (Pa) as near as can be. */
export interface Goal {
  readonly kind: 'amps' | 'rpm' | 'flow' | 'pressure'
  readonly value: number
}

/** One way to go, what it does and what speaks against it. */
export interface Option extends Refusals {
  readonly change: SpeedChange
  readonly prediction: Prediction
  /** How far off the goal, as a share of it; null without a goal. */
  readonly off: number | null
}

/** The answer to a goal. Options that may be done first, nearest to the goal first. */
export interface SpeedAnswer {
  /** Today's point by the same model: speed ratio one. */
  readonly now: Prediction
  readonly options: readonly Option[]
}

const reached = (p: Prediction, goal: Goal): number | null =>
  goal.kind === 'amps'
    ? Math.max(...p.legs)
    : goal.kind === 'rpm'
      ? p.fanRpm
      : goal.kind === 'flow'
        ? p.flow
        : p.pressure

/** Sheaves either side of what would be exact are looked at; further ones are no answer to anything. */
const nearest = 3

/** What leaves the machine as it is. */
function nothing(t: DriveToday): SpeedChange {
  if (t.onDrive) return { kind: 'hertz', hz: t.hz }
  if (t.drive?.adjustable) return { kind: 'turns', turns: t.drive.adjustable.turns }
  if (t.drive) return { kind: 'motor sheave', pitch: t.drive.driver }
  throw new RangeError('change: neither belt nor drive sets the speed of this fan')
}

/** The ratio of speed that meets the goal, by halving; null when no ratio from a third to three does. */
function exactRatio(t: DriveToday, goal: Goal, at: (ratio: number) => SpeedChange): number | null {
  // A motor that cannot carry a speed at all is past every goal.
  const of = (ratio: number): number => {
    try {
      return reached(predict(t, at(ratio)), goal) ?? NaN
    } catch (e) {
      if (e instanceof RangeError && e.message.startsWith('speed')) return Infinity
      throw e
    }
  }
  let low = 1 / 3
  let high = 3
  if (Number.isNaN(of(1)) || of(low) > goal.value || of(high) < goal.value) return null
  for (let i = 0; i < 30; i++) {
    const middle = Math.sqrt(low * high)
    if (of(middle) > goal.value) high = middle
    else low = middle
  }
  // Where the motor gives up before the goal there is no ratio that meets it.
  return of(low) > 0.99 * goal.value ? low : null
}

/** The `nearest` entries of a list around a value, the one in place left out. */
function around(list: readonly number[], value: number, inPlace: number): number[] {
  return [...list]
    .filter((x) => Math.abs(x / inPlace - 1) > 0.002)
    .sort((a, b) => Math.abs(Math.log(a / value)) - Math.abs(Math.log(b / value)))
    .slice(0, nearest)
    .sort((a, b) => a - b)
}

/** Every change worth looking at: all settings of an adjustable sheave, stocked sheaves around the exact one, the hertz. */
function candidates(t: DriveToday, goal: Goal | null): SpeedChange[] {
  const { drive } = t
  const out: SpeedChange[] = []
  if (t.onDrive) {
    const exact = goal && exactRatio(t, goal, (r) => ({ kind: 'hertz', hz: t.hz * r }))
    if (exact) out.push({ kind: 'hertz', hz: Math.floor(t.hz * exact * 10) / 10 })
  }
  if (!drive) return out
  const { adjustable, section } = drive
  if (adjustable)
    for (const turns of settings(adjustable)) if (turns !== adjustable.turns) out.push({ kind: 'turns', turns })
  const ratio = goal && exactRatio(t, goal, (r) => ({ kind: 'motor sheave', pitch: drive.driver * r }))
  if (!ratio || section === null) return out
  const stock = stockSheaves(section)
  if (!adjustable)
    for (const pitch of around(stock, drive.driver * ratio, drive.driver)) out.push({ kind: 'motor sheave', pitch })
  for (const pitch of around(stock, drive.driven / ratio, drive.driven)) out.push({ kind: 'driven sheave', pitch })
  return out
}

/** One change, worked out. Null when the motor could not carry it at all. */
export function consider(t: DriveToday, change: SpeedChange, goal: Goal | null): Option | null {
  let prediction: Prediction
  try {
    prediction = predict(t, change)
  } catch (e) {
    if (e instanceof RangeError && e.message.startsWith('speed')) return null
    throw e
  }
  const value = goal && reached(prediction, goal)
  return {
    change,
    prediction,
    off: goal === null || value === null ? null : value / goal.value - 1,
    ...refusalsOf(t, change, prediction),
  }
}

/** Over an amps goal is no way to it; otherwise either side counts alike. */
const distance = (o: Option, goal: Goal | null) =>
  o.off === null
    ? Math.abs(Math.log(o.prediction.speed))
    : goal?.kind === 'amps' && o.off > 0
      ? 1 + o.off
      : Math.abs(o.off)

/**
 * What may be done to bring a fan to a goal, each way with what it will do and what speaks against it.
 * @param goal null: every setting of the sheave, nearest to today's first
 * @throws RangeError when today's point is not whole, or the goal is not above zero
 */
export function speedOptions(t: DriveToday, goal: Goal | null): SpeedAnswer {
  if (goal) requirePositive('goal', goal.value)
  const options = candidates(t, goal)
    .flatMap((change) => consider(t, change, goal) ?? [])
    .sort((a, b) => Number(a.no.length > 0) - Number(b.no.length > 0) || distance(a, goal) - distance(b, goal))
  return { now: predict({ ...t, misses: [] }, nothing(t)), options }
}

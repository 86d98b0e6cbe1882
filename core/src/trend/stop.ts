import { legPositions, linePositions, mean, neutralPositions, type Reading } from '../quantity/index.ts'
import type { WorkKindId } from './work-kinds.ts'

/** What a machine was doing while it was read. `null`: nobody said. Unlike states are not trended together. */
export interface StopState {
  readonly settled: boolean | null
  readonly mode: 'normal' | 'test' | 'warm-up' | 'purge' | 'low speed' | 'high speed' | null
  readonly filters: 'clean' | 'dirty' | 'out' | null
  readonly panels: 'on' | 'off' | null
  readonly sister: 'running' | 'off' | 'none' | null
  readonly turning: 'right way' | 'backwards' | 'not turning' | null
}

export const unsaid: StopState = {
  settled: null,
  mode: null,
  filters: null,
  panels: null,
  sister: null,
  turning: null,
}

/** What was seen, done or chosen at a stop, by the id of the question: `lock.on` is `yes`. */
export type Answers = Readonly<Record<string, string>>

/** The gates between the phases of a stop. */
export type GateId = 'dead' | 'restore' | 'live'

/** A gate that was passed by a named person before all it asks for was there. */
export interface GatePass {
  readonly gate: GateId
  readonly by: string
  readonly reason: string
}

/** One visit: instant in ms since 1970, the state and what was read, answered and passed. */
export interface Stop {
  readonly id: string
  readonly at: number
  readonly state: StopState
  readonly readings: readonly Reading[]
  readonly answers?: Answers | undefined
  readonly passes?: readonly GatePass[] | undefined
}

export interface WorkDone {
  readonly at: number
  readonly kind: WorkKindId
  readonly note: string
  /** Turns the motor sheave stood open before and after; `before` null where nobody counted. */
  readonly turns?: { readonly before: number | null; readonly after: number } | undefined
}

/** The values of a quantity in the order of the given positions; undefined where one was not read. */
export function valuesAt(
  readings: readonly Reading[],
  quantity: string,
  positions: readonly string[],
): (number | undefined)[] {
  return positions.map((p) => readings.find((r) => r.quantity === quantity && r.position === p)?.value)
}

/** The first value of a quantity, wherever it was read. */
export function valueOf(readings: readonly Reading[], quantity: string): number | undefined {
  return readings.find((r) => r.quantity === quantity)?.value
}

/** What a trend needs of a stop, read out once: a stop never changes, and its machine's past is gone through at every key. */
export interface Figures {
  readonly legs: readonly number[]
  /** Mean line voltage: line to line, for single-phase line to neutral where that was read; null without. */
  readonly volts: number | null
  readonly hz: number | undefined
}

const known = new WeakMap<Stop, Figures>()

export function figuresOf(stop: Stop): Figures {
  const kept = known.get(stop)
  if (kept) return kept
  const given = (quantity: string, positions: readonly string[]) =>
    valuesAt(stop.readings, quantity, positions).filter((v) => v !== undefined)
  const line = given('volts_ll', linePositions)
  const read = line.length > 0 ? line : given('volts_ln', neutralPositions)
  const figures = {
    legs: given('amps', legPositions),
    volts: read.length > 0 ? mean(read) : null,
    hz: valueOf(stop.readings, 'hz'),
  }
  known.set(stop, figures)
  return figures
}

const agree = <T>(a: T | null, b: T | null) => a === null || b === null || a === b

/**
 * May two stops be compared? Both settled as far as anyone said, same mode, panels and sister fan, and within
 * one hertz. Filters are not asked: their loading is what a trend is to show.
 */
export function comparable(a: Stop, b: Stop): boolean {
  if (a.state.settled === false || b.state.settled === false) return false
  if (!agree(a.state.mode, b.state.mode) || !agree(a.state.panels, b.state.panels)) return false
  if (!agree(a.state.sister, b.state.sister)) return false
  const { hz: ha } = figuresOf(a)
  const { hz: hb } = figuresOf(b)
  return ha === undefined || hb === undefined || Math.abs(ha - hb) <= 1
}

import { legPositions, linePositions, mean, neutralPositions, type Reading } from '../quantity/index.ts'
import type { WorkKindId } from './work-kinds.ts'

/** What a machine was doing while it was read. `null`: nobody said. Unlike states are not trended together. */
export interface VisitState {
  readonly settled: boolean | null
  readonly mode: 'normal' | 'test' | 'warm-up' | 'purge' | 'low speed' | 'medium speed' | 'high speed' | null
  readonly filters: 'clean' | 'dirty' | 'out' | null
  readonly panels: 'on' | 'off' | null
  readonly twin: 'running' | 'off' | 'none' | null
  readonly turning: 'right way' | 'backwards' | 'not turning' | null
}

export const unsaid: VisitState = {
  settled: null,
  mode: null,
  filters: null,
  panels: null,
  twin: null,
  turning: null,
}

/** What was seen, done or chosen at a visit, by the id of the question: `lock.on` is `yes`. */
export type Answers = Readonly<Record<string, string>>

/** The gates between the phases of a visit, and before it is saved. */
export type GateId = 'dead' | 'restore' | 'live' | 'close'

/** A gate that was passed by a named person before all it asks for was there. */
export interface GatePass {
  readonly gate: GateId
  readonly by: string
  readonly reason: string
}

/** One visit: instant in ms since 1970, the state and what was read, answered and passed. */
export interface Visit {
  readonly id: string
  readonly at: number
  readonly state: VisitState
  readonly readings: readonly Reading[]
  readonly answers?: Answers | undefined
  readonly passes?: readonly GatePass[] | undefined
  /** Who took it, where that is known. */
  readonly by?: string | undefined
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

/** What a trend needs of a visit, read out once: a visit never changes, and its machine's past is gone through at every key. */
export interface Figures {
  readonly legs: readonly number[]
  /** Mean line voltage: line to line, for single-phase line to neutral where that was read; null without. */
  readonly volts: number | null
  readonly hz: number | undefined
}

const known = new WeakMap<Visit, Figures>()

export function figuresOf(visit: Visit): Figures {
  const kept = known.get(visit)
  if (kept) return kept
  const given = (quantity: string, positions: readonly string[]) =>
    valuesAt(visit.readings, quantity, positions).filter((v) => v !== undefined)
  const line = given('volts_ll', linePositions)
  // Read to neutral, three phases come to √3 times it between the lines; one phase has neither a third line nor a second leg.
  const threePhase = visit.readings.some(
    (r) => (r.quantity === 'volts_ln' && r.position === 'L3-N') || (r.quantity === 'amps' && r.position !== 'L1'),
  )
  const neutral = given('volts_ln', neutralPositions).map((v) => (threePhase ? v * Math.sqrt(3) : v))
  const read = line.length > 0 ? line : neutral
  const figures = {
    legs: given('amps', legPositions),
    volts: read.length > 0 ? mean(read) : null,
    hz: valueOf(visit.readings, 'hz'),
  }
  known.set(visit, figures)
  return figures
}

/** The hertz at which the motor ran; undefined where nobody read them. */
export const hertzOf = (visit: Visit): number | undefined => figuresOf(visit).hz

/** Output of a drive at which a reading without any can still be like it: the line's own, give or take a hertz and a half. */
const lineHertz = (hz: number) => Math.abs(hz - 60) <= 1.5 || Math.abs(hz - 50) <= 1.5

function likeHertz(a: number | undefined, b: number | undefined): boolean {
  if (a !== undefined && b !== undefined) return Math.abs(a - b) <= 1
  const known = a ?? b
  return known === undefined || lineHertz(known)
}

/** What nobody entered is taken as the usual: normal mode, panels on, the twin running, filters in, turning the right way. */
const usualState = (s: VisitState) => ({
  mode: s.mode ?? 'normal',
  panels: s.panels ?? 'on',
  twinOff: s.twin === 'off',
  filtersOut: s.filters === 'out',
  turning: s.turning ?? 'right way',
})

/**
 * Which visits were taken in a state like that of one, whatever their hertz? Both settled as far as anyone entered, in the same
 * mode, on the same speed, with panels, twin fan and filters alike, turning the same way. What was not entered is taken as the usual.
 */
export function alikeButHertz(b: Visit): (a: Visit) => boolean {
  if (b.state.settled === false) return () => false
  const y = usualState(b.state)
  const { filters: fb } = b.state
  return (a) => {
    if (a.state.settled === false) return false
    const x = usualState(a.state)
    const { filters: fa } = a.state
    return (
      x.mode === y.mode &&
      x.panels === y.panels &&
      x.twinOff === y.twinOff &&
      x.filtersOut === y.filtersOut &&
      (fa === null || fb === null || fa === fb) &&
      x.turning === y.turning
    )
  }
}

/** Which visits may be compared with one as they are? Those in a state like its own, within one hertz. */
export function comparableTo(b: Visit): (a: Visit) => boolean {
  const alike = alikeButHertz(b)
  const { hz } = figuresOf(b)
  return (a) => alike(a) && likeHertz(figuresOf(a).hz, hz)
}

/** All of a visit that `comparableTo` looks at. */
export const likenessOf = (visit: Visit): readonly unknown[] => {
  const { settled, mode, panels, twin, filters, turning } = visit.state
  return [settled, mode, panels, twin, filters, turning, figuresOf(visit).hz]
}

/** May two visits be compared? */
export const comparable = (a: Visit, b: Visit): boolean => comparableTo(b)(a)

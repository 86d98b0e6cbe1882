import type { Feature } from '../features.ts'

/** Where a cause sits, outside to inside. */
export type Place =
  | 'no fault'
  | 'supply'
  | 'transformer'
  | 'protection'
  | 'contactor'
  | 'controls'
  | 'drive'
  | 'wiring'
  | 'motor'
  | 'capacitor'
  | 'bearings'
  | 'belt'
  | 'wheel'
  | 'air'
  | 'twin'

/** What makes a cause likelier than usual. Work, vibration and idling: within 30 days. */
export type Raiser =
  | 'old'
  | 'heat'
  | 'rain'
  | 'cold'
  | 'dirt'
  | 'motor work'
  | 'belt work'
  | 'board work'
  | 'controls work'
  | 'vibration'
  | 'idle'

export type Remedy = 'none' | 'adjust' | 'tighten' | 'clean' | 'part' | 'motor' | 'drive' | 'other trade'
export type Hazard = 'shock' | 'fire' | 'thrown part' | 'self-start' | 'combustion'

/** A result of a test: which one, and what it showed. */
export type Result = readonly [test: string, outcome: string]

/** Something that can be behind a complaint. */
export interface Cause {
  readonly id: string
  readonly name: string
  readonly place: Place
  /** How many of a thousand calls it is behind. */
  readonly per: number
  /** What a machine must have for it; none: any machine. */
  readonly fits: readonly Feature[]
  /** Machines that have no such thing. */
  readonly notOn: readonly Feature[]
  readonly raisedBy: readonly Raiser[]
  /** What usually brings it about, and what it brings about in turn. */
  readonly killedBy: readonly string[]
  readonly kills: readonly string[]
  /** All of these together prove it. */
  readonly proof: readonly Result[]
  readonly remedy: Remedy
  readonly hazards: readonly Hazard[]
  /** Whether the machine model can say what it shows; else it is judgement. */
  readonly computed: boolean
}

type Given = Pick<Cause, 'per' | 'proof' | 'remedy'> &
  Partial<Pick<Cause, 'fits' | 'notOn' | 'raisedBy' | 'killedBy' | 'kills' | 'hazards' | 'computed'>>

type Add = (id: string, name: string, given: Given) => Cause

/** The causes of one place. */
export const causesAt = (place: Place, list: (cause: Add) => readonly Cause[]): readonly Cause[] =>
  list((id, name, given) => ({
    id,
    name,
    place,
    fits: [],
    notOn: [],
    raisedBy: [],
    killedBy: [],
    kills: [],
    hazards: [],
    computed: false,
    ...given,
  }))

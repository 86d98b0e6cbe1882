import type { Policies } from '../../limits/index.ts'
import type { QuantityCode } from '../../quantity/index.ts'
import type { GateId, Visit } from '../../trend/index.ts'
import type { Rule } from '../rule.ts'
import type { Context } from '../context.ts'
import type { MachineFacts } from '../input.ts'

/** A visit as the trade walks it. */
export const phases = [
  { id: 'look', words: 'Inspect' },
  { id: 'safe', words: 'Lock out' },
  { id: 'dead', words: 'Dead tests' },
  { id: 'restore', words: 'Power up' },
  { id: 'live', words: 'Live tests' },
  { id: 'judge', words: 'Results' },
  { id: 'leave', words: 'Close up' },
] as const
export type PhaseId = (typeof phases)[number]['id']

/** A figure to read: a cell of the page. */
export interface ReadingAsk {
  readonly kind: 'reading'
  readonly quantity: QuantityCode
  readonly position: string
  readonly label: string
}

/** A word to choose: kept under its id. */
export interface ChoiceAsk {
  readonly kind: 'choice'
  readonly id: string
  readonly label: string
  readonly options: readonly (readonly [value: string, words: string])[]
}

/** A short line to write: a lock's number, a name. */
export interface TextAsk {
  readonly kind: 'text'
  readonly id: string
  readonly label: string
}

export type Ask = ReadingAsk | ChoiceAsk | TextAsk

/** Asks that stand side by side under one heading. `also`: only if it was read anyway; Next passes it by. */
export interface AskGroup {
  readonly title: string
  readonly asks: readonly Ask[]
  readonly also?: boolean
}

/** Time that has to pass before a reading means anything; it runs by the device's clock. */
export interface Wait {
  readonly id: string
  readonly words: string
  readonly seconds: number
  /** What is done when it is over. */
  readonly then: string
}

/**
 * One check of the visit page: what it asks, of which machines, how it is done and judged, and its caution. One file
 * each; a new one is a line in the register.
 */
export interface CheckDefinition {
  readonly id: string
  readonly phase: PhaseId
  /** What it belongs to; left out, to a visit of either. */
  readonly part?: 'electric' | 'drive'
  readonly title: string
  /** How it is done, one sentence. */
  readonly how: string
  /** Shown before the check, where it can hurt. */
  readonly caution: string | null
  for(machine: MachineFacts): boolean
  groups(machine: MachineFacts): readonly AskGroup[]
  waits?(machine: MachineFacts, policies: Policies): readonly Wait[]
  /** A note that the microphone of the device may read, where it has one. */
  readonly listens?: { readonly quantity: QuantityCode; readonly position: string }
  /** What this machine asks for, before anything is read; null where nothing of it is known. */
  advice?(context: Context): string | null
  /** What is reported of these readings; empty where other checks judge them or nothing is to be judged. */
  readonly judges: readonly Rule[]
}

/** Cells of one quantity at several positions. */
export const cells = (
  quantity: QuantityCode,
  positions: readonly string[],
  labels: readonly string[] = positions,
): ReadingAsk[] =>
  positions.map((position, i) => ({ kind: 'reading', quantity, position, label: labels[i] ?? position }))

export const choice = (id: string, label: string, options: ChoiceAsk['options']): ChoiceAsk => ({
  kind: 'choice',
  id,
  label,
  options,
})

export const yesNo = (id: string, label: string): ChoiceAsk =>
  choice(id, label, [
    ['yes', 'Yes'],
    ['no', 'No'],
  ])

export const line = (id: string, label: string): TextAsk => ({ kind: 'text', id, label })

/** How much of a visit was meant to be taken: what is left out by choice is not missing. */
export const scopeAsk = choice('scope', 'This visit', [
  ['running', 'Running amps'],
  ['live', 'All live tests'],
  ['dead', 'Dead tests'],
  ['full', 'Full electrical'],
  ['drive', 'Drive and bearings'],
  ['both', 'Electrical and drive'],
])
export type ScopeId = 'running' | 'live' | 'dead' | 'full' | 'drive' | 'both'

const whole: readonly PhaseId[] = ['look', 'safe', 'dead', 'restore', 'live', 'judge', 'leave']
const everyGate: readonly GateId[] = ['dead', 'restore', 'live', 'close']

/** The phases each plan walks. */
export const scopes: Readonly<Record<ScopeId, readonly PhaseId[]>> = {
  running: ['look', 'live', 'judge'],
  live: ['look', 'live', 'judge', 'leave'],
  dead: ['look', 'safe', 'dead', 'judge', 'leave'],
  full: whole,
  drive: ['look', 'safe', 'dead', 'live', 'judge', 'leave'],
  both: whole,
}

/** The gates a plan waits for: where hands go in it is proven dead; where power comes back on bare tests, restored. */
export const gatesOf: Readonly<Record<ScopeId, readonly GateId[]>> = {
  running: [],
  live: [],
  dead: everyGate,
  full: everyGate,
  drive: ['dead', 'close'],
  both: everyGate,
}

const ofDeadTests: readonly string[] = [
  'proof_volts',
  'dead_ll',
  'dead_lg',
  'winding_ohms',
  'ground_ohms',
  'megohms',
  'megohms_at',
  'pole_ohms',
  'fuse_ohms',
]

/** Was anything locked out or opened at this visit? Then power comes back on it, whatever the visit was meant to be. */
export const opened = (visit: Pick<Visit, 'readings' | 'answers'>): boolean =>
  visit.answers?.['lock.on'] === 'yes' || visit.readings.some((r) => ofDeadTests.includes(r.quantity))

/** The phases a visit walks: those it was meant to, and all of them once something was locked out or opened. */
export const phasesFor = (scope: ScopeId, visit: Pick<Visit, 'readings' | 'answers'>): readonly PhaseId[] =>
  opened(visit) ? whole : scopes[scope]

/** The gates a visit waits for: those of what was done, not of what was chosen. */
export const gatesFor = (scope: ScopeId, visit: Pick<Visit, 'readings' | 'answers'>): readonly GateId[] =>
  opened(visit) ? everyGate : gatesOf[scope]

export const threePhase = (m: MachineFacts): boolean => m.phases === 3
export const singlePhase = (m: MachineFacts): boolean => m.phases === 1
export const always = (): boolean => true

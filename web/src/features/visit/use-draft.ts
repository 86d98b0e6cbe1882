import type { ScopeId } from '@motor-round/core/judge'
import { unsaid, type GatePass, type VisitState } from '@motor-round/core/trend'
import { v7 as uuid } from 'uuid'
import { useKeptDraft } from '../../app/kept-draft.ts'
import { draftKey } from '../../app/visit-drafts.ts'
import type { Snapshot, Typed } from './cells.ts'
import type { Only } from './walk.ts'

/** A visit that is being taken. Kept on this device at every key, until the server has it. */
export interface Draft {
  readonly id: string
  readonly scope: ScopeId
  readonly only: Only
  readonly typed: Typed
  readonly taken: Snapshot
  readonly answers: Readonly<Record<string, string>>
  readonly passes: readonly GatePass[]
  readonly state: VisitState
  /** When the voltage of a timed insulation test was put on, ms since 1970. */
  readonly clock: number | null
  /** When each wait began, ms since 1970. */
  readonly waits: Readonly<Record<string, number>>
  readonly note: string
  readonly reason: string
  readonly takenAt: string | null
  /** Slips the mechanic has said are no slips: `key value`. */
  readonly meant: readonly string[]
}

/** A draft as it was kept on this device; null where it is none of ours. */
function read(kept: unknown): Draft | null {
  const part = kept as Partial<Draft> | null
  if (typeof part?.id !== 'string' || typeof part.typed !== 'object') return null
  return { ...empty(), ...part, state: { ...unsaid, ...part.state } }
}

const empty = (): Draft => ({
  id: uuid(),
  scope: 'running',
  only: null,
  typed: {},
  taken: {},
  answers: {},
  passes: [],
  state: unsaid,
  clock: null,
  waits: {},
  note: '',
  reason: '',
  takenAt: null,
  meant: [],
})

/** The draft of a machine, with what it starts from when there is none. */
export const useDraft = (machineId: string, corrects: string | null, start: Partial<Draft>) =>
  useKeptDraft(draftKey(machineId, corrects), read, () => ({ ...empty(), ...start }))

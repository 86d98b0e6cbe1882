import type { ScopeId } from '@motor-round/core/judge'
import { unsaid, type GatePass, type VisitState } from '@motor-round/core/trend'
import { useCallback, useRef, useState } from 'react'
import { v7 as uuid } from 'uuid'
import { keepOnDevice } from '../../app/device-text.ts'
import { draftKey } from '../../app/visit-drafts.ts'
import type { Snapshot, Typed } from './cells.ts'

/** A visit that is being taken. Kept on this device at every key, until the server has it. */
export interface Draft {
  readonly id: string
  readonly scope: ScopeId
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

function load(key: string): Draft | null {
  const text = localStorage.getItem(key)
  if (text === null) return null
  try {
    const kept = JSON.parse(text) as Partial<Draft>
    if (typeof kept.id !== 'string' || typeof kept.typed !== 'object') return null
    return { ...empty(), ...kept, state: { ...unsaid, ...kept.state } }
  } catch {
    return null // what cannot be read is no draft of ours
  }
}

const empty = (): Draft => ({
  id: uuid(),
  scope: 'running',
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
export function useDraft(machineId: string, corrects: string | null, start: Partial<Draft>) {
  const key = draftKey(machineId, corrects)
  const [draft, setDraft] = useState<Draft>(() => load(key) ?? { ...empty(), ...start })
  const [kept, setKept] = useState(true)
  // Two changes may come before the page is drawn again: each begins from the one before.
  const latest = useRef(draft)
  const change = useCallback(
    (part: Partial<Draft> | ((old: Draft) => Partial<Draft>)) => {
      const old = latest.current
      const next = { ...old, ...(typeof part === 'function' ? part(old) : part) }
      latest.current = next
      setKept(keepOnDevice(key, JSON.stringify(next)))
      setDraft(next)
    },
    [key],
  )
  const forget = useCallback(() => {
    localStorage.removeItem(key)
    latest.current = { ...empty(), ...start }
    setDraft(latest.current)
    // The start is what the page was opened with.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key])
  return { draft, change, forget, kept }
}

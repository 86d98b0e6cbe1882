import type { VisitRecord } from '@motor-round/contract'
import { judge, type JudgeInput, type Judgement } from '@motor-round/core/judge'
import type { Reading, ShownUnits } from '@motor-round/core/quantity'
import type { Answers, Visit } from '@motor-round/core/trend'
import { useMemo } from 'react'
import { readingsOf } from './cells.ts'
import type { Draft } from './use-draft.ts'

/** The visit that is being typed, and how it is judged; null while nothing was read, answered or seen. */
export function useVisit(
  draft: Draft,
  old: VisitRecord | null,
  units: ShownUnits,
  openedAt: number,
  judging: ((visit: Visit) => JudgeInput) | null,
): { readings: Reading[]; answers: Answers; visit: Visit; judgement: Judgement | null } {
  const readings = useMemo(() => readingsOf(draft.typed, draft.taken, units), [draft.typed, draft.taken, units])
  const answers = useMemo(
    () => (draft.scope === 'running' ? draft.answers : { ...draft.answers, scope: draft.scope }),
    [draft.scope, draft.answers],
  )
  const visit: Visit = useMemo(
    () => ({
      id: old?.id ?? draft.id,
      at: draft.takenAt === null ? openedAt : Date.parse(draft.takenAt),
      state: draft.state,
      readings,
      answers,
      passes: draft.passes,
    }),
    [old, draft.id, draft.takenAt, draft.state, answers, draft.passes, readings, openedAt],
  )
  const something = readings.length > 0 || Object.keys(answers).length > 0 || draft.state.turning !== null
  const judgement = useMemo(() => (judging && something ? judge(judging(visit)) : null), [judging, visit, something])
  return { readings, answers, visit, judgement }
}

import type { ShownUnits } from '@motor-round/core/quantity'
import type { VisitRecord } from '@motor-round/contract'
import type { ScopeId } from '@motor-round/core/judge'
import { keyOf, typedOf } from './cells.ts'
import type { Draft } from './use-draft.ts'

/** What stands in the cells when an earlier visit is corrected; nothing for a new one. */
export function startOf(old: VisitRecord | null, units: ShownUnits): Partial<Draft> {
  if (!old) return {}
  const took = old.readings.filter((r) => r.how !== undefined && r.how !== 'over-range')
  return {
    scope: (old.answers['scope'] as ScopeId | undefined) ?? 'running',
    typed: Object.fromEntries(old.readings.map((r) => [keyOf(r.quantity, r.position), typedOf(r, units)])),
    taken: Object.fromEntries(
      took.map((r) => [
        keyOf(r.quantity, r.position),
        { how: r.how ?? 'typed', ...(r.spread === undefined ? {} : { spread: r.spread }) },
      ]),
    ),
    answers: old.answers,
    passes: old.passes,
    state: old.state,
    note: old.note,
    takenAt: old.takenAt,
  }
}

import type { QuantityCode } from '../quantity/index.ts'
import { breaksTrend, type WorkKindId } from './work-kinds.ts'

/** A stretch of time in which a quantity may be trended: from the work that started it to the next. */
export interface Epoch {
  readonly from: number | null
  readonly startedBy: WorkKindId | null
}

/**
 * The epoch in which an instant lies. Work at that very instant counts as done before it.
 * @param work in any order
 */
export function epochAt(
  work: readonly { readonly at: number; readonly kind: WorkKindId }[],
  quantity: QuantityCode,
  at: number,
): Epoch {
  let last: { at: number; kind: WorkKindId } | null = null
  for (const w of work) if (w.at <= at && breaksTrend(w.kind, quantity) && (!last || w.at > last.at)) last = w
  return { from: last?.at ?? null, startedBy: last?.kind ?? null }
}

import type { QuantityCode } from '../quantity/index.ts'
import { breaksTrend, type WorkKindId } from './work-kinds.ts'

/** A stretch of time in which a quantity may be trended: from the work that started it to the next. */
export interface Baseline {
  readonly since: number | null
  readonly startedBy: WorkKindId | null
}

/** What is done after every change of a sheave or a belt, on the same day: it belongs to that work. */
const follows: readonly WorkKindId[] = ['belts-tensioned', 'sheaves-aligned']
const sameDay = 86_400_000

/** The work that a piece of work belongs to: the tensioning after a turn of the sheave is part of the turn. */
export function workItBelongsTo<W extends { readonly at: number; readonly kind: WorkKindId }>(
  w: W,
  work: readonly W[],
  quantity: QuantityCode,
): W {
  if (!follows.includes(w.kind)) return w
  const before = work.filter(
    (o) => !follows.includes(o.kind) && breaksTrend(o.kind, quantity) && o.at <= w.at && o.at >= w.at - sameDay,
  )
  return before.reduce<W | null>((a, b) => (a === null || b.at > a.at ? b : a), null) ?? w
}

/**
 * The baseline in which an instant lies. Work at that very instant counts as done before it.
 * @param work in any order
 */
export function baselineAt(
  work: readonly { readonly at: number; readonly kind: WorkKindId }[],
  quantity: QuantityCode,
  at: number,
): Baseline {
  let last: { at: number; kind: WorkKindId } | null = null
  for (const w of work) if (w.at <= at && breaksTrend(w.kind, quantity) && (!last || w.at > last.at)) last = w
  return { since: last?.at ?? null, startedBy: last ? workItBelongsTo(last, work, quantity).kind : null }
}

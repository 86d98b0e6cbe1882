import { findQuantity } from '../quantity/index.ts'
import type { JobFact, ReadAt } from './facts.ts'

/** A postponed job that is due again, and what waiting did. */
export interface Fired {
  readonly because: 'day' | 'rise' | 'visit'
  /** The figure that was watched, at the worst place: when it was postponed and now; null where none is watched or read. */
  readonly figure: {
    readonly words: string
    readonly quantity: string
    readonly then: number
    readonly now: number
  } | null
}

const worst = (v: ReadAt, quantity: string): number | null => {
  const own = v.readings.filter((r) => r.quantity === quantity && r.how !== 'unsteady').map((r) => r.value)
  return own.length === 0 ? null : Math.max(...own)
}

/**
 * Is a postponed job due again?
 * @param today ISO date at the site
 * @returns null where it was not postponed last, or nothing has fired
 */
export function fired(
  decision: Extract<JobFact, { kind: 'decision' }> | null,
  visits: readonly ReadAt[],
  today: string,
): Fired | null {
  const trigger = decision?.decision === 'postponed' ? decision.trigger : null
  if (!decision || !trigger) return null
  const q = trigger.quantity
  const newest = [...visits].sort((a, b) => b.at - a.at)
  const read =
    q === null ? [] : newest.flatMap((v) => [{ at: v.at, value: worst(v, q) }]).filter((x) => x.value !== null)
  const then = read.find((x) => x.at <= decision.at)?.value ?? null
  const now = read.find((x) => x.at > decision.at)?.value ?? null
  const known = q === null ? undefined : findQuantity(q)
  const figure = known && then !== null && now !== null ? { words: known.title, quantity: known.code, then, now } : null
  if (figure && trigger.rise !== null && figure.now >= figure.then * (1 + trigger.rise))
    return { because: 'rise', figure }
  if (trigger.on !== null && today >= trigger.on) return { because: 'day', figure }
  if (trigger.nextVisit && newest.some((v) => v.at > decision.at)) return { because: 'visit', figure }
  return null
}

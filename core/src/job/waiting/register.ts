import { dirtyFilter } from './dirty-filter.ts'
import { failingPart } from './failing-part.ts'
import { overAmps } from './over-amps.ts'
import type { Figures, WaitingRule } from './rule.ts'
import { wrongSpeed } from './wrong-speed.ts'

/** Ways in which waiting costs money that can be worked out. */
export const waitingRules: readonly WaitingRule[] = [failingPart, overAmps, wrongSpeed, dirtyFilter]
export const waitingRuleOf: ReadonlyMap<string, WaitingRule> = new Map(waitingRules.map((r) => [r.id, r]))

/** A cost of waiting with its figures. */
export interface Waiting {
  readonly rule: string
  readonly figures: Figures
}

/** What is wrong with the figures of one; null: nothing. */
export function waitingFault({ rule, figures }: Waiting): { readonly key: string; readonly message: string } | null {
  const of = waitingRuleOf.get(rule)
  if (!of) return { key: 'rule', message: `"${rule}" is not a cost of waiting` }
  for (const { key, title, unit, min, max } of of.fields) {
    const value = figures[key]
    if (value === undefined) return { key, message: `enter: ${title}` }
    if (!(value >= min && value <= max)) return { key, message: `${title}: from ${min} to ${max} ${unit}` }
  }
  const extra = Object.keys(figures).find((k) => !of.fields.some((f) => f.key === k))
  return extra === undefined ? null : { key: extra, message: `"${extra}" is not one of its figures` }
}

/**
 * Money that waiting costs over some months, all ways together.
 * @throws RangeError for a rule that does not exist or a figure that is missing
 */
export function waitingCost(list: readonly Waiting[], months: number): number {
  let sum = 0
  for (const { rule, figures } of list) {
    const of = waitingRuleOf.get(rule)
    if (!of) throw new RangeError(`rule: ${rule} does not exist`)
    for (let m = 0; m < months; m++) sum += of.month(figures, m)
  }
  return sum
}

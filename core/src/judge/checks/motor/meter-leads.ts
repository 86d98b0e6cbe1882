import { show } from '../../../quantity/index.ts'
import type { Context } from '../../context.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Verdict } from '../../verdict.ts'

/** The leads of the meter by themselves: taken off of every pair, so bad ones make a winding of nothing out of a good one, or the reverse. */
export function badMeterLeads(check: Rule, c: Context, positions: readonly string[]): Verdict | null {
  const leads = c.value('lead_ohms', 'leads')
  const most = c.limit('meter-leads-most')
  return leads === undefined || leads <= most.value
    ? null
    : verdict(check, {
        level: 'watch',
        positions,
        value: leads,
        limit: most.value,
        basis: [most.basis],
        because: `Meter leads ${show.ohms(leads)} touched together: more than good leads have, so the winding cannot be told from them.`,
        next: 'Clean the tips or change the leads, touch them together, and read all three pairs again.',
        confidence: 'low',
        settles: false,
      })
}

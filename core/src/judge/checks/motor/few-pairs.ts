import { leastUnbalance } from '../../../electrical/index.ts'
import { practice, standard } from '../../../limits/index.ts'
import { show, terminalPairs, type Reading } from '../../../quantity/index.ts'
import type { Context } from '../../context.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Verdict } from '../../verdict.ts'
import { away, possibleOhms, toSplit } from './winding-facts.ts'

type Where = Pick<Verdict, 'positions' | 'subject'>

/** What two pairs say whatever the third reads; null where that is nothing. */
function ofTwo(rule: Rule, c: Context, [one, other]: readonly Reading[], where: Where): Verdict | null {
  if (!one || !other) return null
  const left = terminalPairs.find((p) => p !== one.position && p !== other.position) ?? ''
  const names = `${one.position} and ${other.position}`
  const open = [one, other].filter((r) => r.how === 'over-range').length
  if (open === 2)
    return verdict(rule, {
      ...where,
      level: away(c) ? 'fix' : 'stop',
      basis: [standard('circuit theory of wye and delta windings')],
      because: `${names} open: a lead or the whole winding is open, whatever ${left} reads.`,
      next: away(c) ? toSplit : 'Leave it locked out. Check the lugs and read all three pairs, each once.',
      confidence: 'low',
    })
  const reject = c.limit('winding-reject')
  const steady = [one, other].every((r) => r.how !== 'unsteady')
  const least = open === 0 && steady && one.value + other.value > 0 ? leastUnbalance(one.value, other.value) : 0
  if (least <= reject.value) return null
  return verdict(rule, {
    ...where,
    level: 'fix',
    value: least,
    limit: reject.value,
    basis: [reject.basis],
    because: `${show.ohms(one.value)}, ${show.ohms(other.value)} on ${names}: at least ${show.percent(least)} unbalance, whatever ${left} reads.`,
    next: away(c) ? toSplit : `Check the connections and read ${left}.`,
    confidence: 'low',
  })
}

/**
 * Winding ohms of one or two pairs: the missing one is asked for, and what these already prove is told.
 * @param given the pairs that were read, fewer than three
 */
export function fewPairs(rule: Rule, c: Context, given: readonly Reading[], where: Where): Verdict {
  const told = ofTwo(rule, c, given, where)
  if (told) return told
  const names = given.map((r) => r.position).join(' and ')
  const possible = possibleOhms(c)
  const high = given.filter((r) => r.how !== 'over-range' && possible !== null && r.value > possible.most)
  if (possible && high.length > 0)
    return verdict(rule, {
      ...where,
      level: 'fix',
      basis: [practice('an impossible set is repeated')],
      because: `${high.map((r) => show.ohms(r.value)).join(', ')} on ${high.map((r) => r.position).join(' and ')}: more than a motor of this nameplate can have (${show.ohms(possible.most)} at most).`,
      next: 'Check the range, clean the leads, disconnect everything else and read all three pairs again.',
      confidence: 'low',
      settles: false,
    })
  const low = given.filter((r) => r.how !== 'over-range' && possible !== null && r.value < possible.least)
  if (low.length > 0)
    return verdict(rule, {
      ...where,
      level: 'fix',
      basis: [practice('an impossible set is repeated')],
      because: `${low.map((r) => show.ohms(r.value)).join(', ')} on ${low.map((r) => r.position).join(' and ')}: shorted, or too low for this meter to tell.`,
      next: 'Touch the probes together, take that off, read all three pairs again with a low-ohm meter.',
      confidence: 'low',
      settles: false,
    })
  const open = given.filter((r) => r.how === 'over-range').map((r) => r.position)
  return verdict(rule, {
    ...where,
    level: open.length > 0 ? 'fix' : 'watch',
    basis: [practice('three pairs, each once')],
    because: `Only ${names} read${open.length > 0 ? `, ${open.join(' and ')} open` : ''}. Two pairs do not prove the third.`,
    next: 'Read the missing pair; make sure that no pair was read twice.',
    confidence: 'low',
    settles: false,
  })
}

import { type DueTaskRecord, type RoundPage, type RoundVisit } from '@motor-round/contract'
import { stepOf, type StepPart } from '@motor-round/core/round'
import type { ScopeId } from '@motor-round/core/judge'

export const tagOf = (s: Pick<RoundVisit, 'unitTag' | 'tag'>): string => `${s.unitTag} / ${s.tag}`

/** What a visit is for, where it is not the work itself. */
export const partWords: Readonly<Record<StepPart, string>> = { lock: 'lock out', work: '', proof: 'read again' }

const minutes = (v: number) => (Math.abs(v) < 0.5 ? 'no time' : `${Math.abs(Math.round(v))} min`)

/** A visit as it is called: its machine, and what for where that is not the work. */
export function stepName(visits: readonly RoundVisit[], step: string): string {
  const { machineId, part } = stepOf(step)
  const visit = visits.find((s) => s.machineId === machineId)
  return `${visit ? tagOf(visit) : 'a machine'}${part === 'work' ? '' : `, ${partWords[part]}`}`
}

/** Who gave way to a move by hand, by name: what is left out for it, what finds room again, what went to another. */
export function gaveWay(before: RoundPage, after: RoundPage): string {
  const whose = (page: RoundPage, step: string) =>
    page.route.order.flatMap((o) => (o.steps.includes(step) ? [o.walker] : []))
  const steps = [...new Set([...before.route.order, ...after.route.order].flatMap((o) => o.steps))]
  const names = (list: readonly string[]) => list.map((v) => stepName(before.visits, v)).join('; ')
  const out = steps.filter((v) => whose(after, v).length === 0)
  const back = steps.filter((v) => whose(before, v).length === 0)
  const handed = steps.flatMap((v) => {
    const now = whose(after, v)
    if (out.includes(v) || back.includes(v) || now.join() === whose(before, v).join()) return []
    const people = after.head.people.filter((p) => now.includes(p.id)).map((p) => p.name)
    return [`${stepName(before.visits, v)} to ${people.join(' and ')}`]
  })
  return [
    out.length > 0 ? `No longer fits: ${names(out)}.` : '',
    back.length > 0 ? `Fits again: ${names(back)}.` : '',
    handed.length > 0 ? `Runs over: ${handed.join('; ')}.` : '',
  ]
    .filter(Boolean)
    .join(' ')
}

/** What a move by hand costs, in one sentence. */
export function costWords(by: RoundPage['route']['cost']): string {
  const parts = [
    Math.abs(by.travel) < 0.5 ? '' : `${minutes(by.travel)} ${by.travel > 0 ? 'more' : 'less'} walking`,
    Math.abs(by.waiting) < 0.5 ? '' : `${minutes(by.waiting)} ${by.waiting > 0 ? 'more' : 'less'} waiting`,
    Math.abs(by.back) < 0.5 ? '' : `back ${minutes(by.back)} ${by.back > 0 ? 'later' : 'earlier'}`,
    by.left > 0 ? 'more work is left out' : by.left < 0 ? 'less work is left out' : '',
  ].filter(Boolean)
  return parts.length === 0 ? 'No extra time.' : `It costs: ${parts.join(', ')}.`
}

/** The visit plan that carries all tasks of a machine. */
export function scopeFor(tasks: readonly Pick<DueTaskRecord, 'scope'>[]): ScopeId {
  const has = (p: ScopeId) => tasks.some((t) => t.scope === p)
  if (has('full') || (has('dead') && (has('live') || has('running')))) return 'full'
  return has('drive') ? 'drive' : has('dead') ? 'dead' : has('live') ? 'live' : 'running'
}

/** The order a person walks in, visit by visit: that of the plan, with what was moved on the way, then what was added. */
export function walkOrder(page: RoundPage, walker: string | null): string[] {
  const lists = page.route.order.filter((o) => walker === null || o.walker === walker)
  const timed = page.route.steps.filter((v) => walker === null || v.walkers.includes(walker)).map((v) => v.step)
  const planned = lists.length === 1 ? (lists[0]?.steps ?? []) : timed
  const others = page.visits
    .filter((s) => !page.route.steps.some((v) => v.step === s.machineId))
    .map((s) => s.machineId)
  const order = [...planned, ...others.filter((m) => !planned.includes(m))]
  for (const e of page.events) {
    if (e.kind !== 'moved' || e.machineId === null || e.place === null || !order.includes(e.machineId)) continue
    order.splice(order.indexOf(e.machineId), 1)
    order.splice(Math.min(e.place, order.length), 0, e.machineId)
  }
  return order
}

/** The machines of a walk, each where its work stands. */
export const machineOrder = (page: RoundPage, walker: string | null): string[] =>
  walkOrder(page, walker).filter((v) => stepOf(v).part === 'work')

/** What found no room in the plan; what only goes with a machine that found none is not told beside it. */
export function leftOut(page: RoundPage): RoundPage['route']['left'] {
  const without = new Set(page.route.left.map((l) => l.step))
  return page.route.left.filter((l) => {
    const { machineId, part } = stepOf(l.step)
    return part === 'work' || (part === 'proof' && !without.has(machineId))
  })
}

import { visitOf, type DueTaskRecord, type RoundPage, type RoundStop, type VisitPart } from '@motor-round/contract'
import type { PlanId } from '@motor-round/core/judge'

export const tagOf = (s: Pick<RoundStop, 'unitTag' | 'tag'>): string => `${s.unitTag} / ${s.tag}`

/** What a visit is for, where it is not the work itself. */
export const partWords: Readonly<Record<VisitPart, string>> = { lock: 'lock out', work: '', proof: 'read again' }

const minutes = (v: number) => (Math.abs(v) < 0.5 ? 'no time' : `${Math.abs(Math.round(v))} min`)

/** A visit as it is called: its machine, and what for where that is not the work. */
export function visitName(stops: readonly RoundStop[], visit: string): string {
  const { machineId, part } = visitOf(visit)
  const stop = stops.find((s) => s.machineId === machineId)
  return `${stop ? tagOf(stop) : 'a machine'}${part === 'work' ? '' : `, ${partWords[part]}`}`
}

/** Who gave way to a move by hand, by name: what is left out for it, what finds room again, what went to another. */
export function gaveWay(before: RoundPage, after: RoundPage): string {
  const whose = (page: RoundPage, visit: string) =>
    page.plan.order.flatMap((o) => (o.visits.includes(visit) ? [o.walker] : []))
  const visits = [...new Set([...before.plan.order, ...after.plan.order].flatMap((o) => o.visits))]
  const names = (list: readonly string[]) => list.map((v) => visitName(before.stops, v)).join('; ')
  const out = visits.filter((v) => whose(after, v).length === 0)
  const back = visits.filter((v) => whose(before, v).length === 0)
  const handed = visits.flatMap((v) => {
    const now = whose(after, v)
    if (out.includes(v) || back.includes(v) || now.join() === whose(before, v).join()) return []
    const people = after.head.people.filter((p) => now.includes(p.id)).map((p) => p.name)
    return [`${visitName(before.stops, v)} to ${people.join(' and ')}`]
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
export function costWords(by: RoundPage['plan']['cost']): string {
  const parts = [
    Math.abs(by.travel) < 0.5 ? '' : `${minutes(by.travel)} ${by.travel > 0 ? 'more' : 'less'} walking`,
    Math.abs(by.waiting) < 0.5 ? '' : `${minutes(by.waiting)} ${by.waiting > 0 ? 'more' : 'less'} waiting`,
    Math.abs(by.back) < 0.5 ? '' : `back ${minutes(by.back)} ${by.back > 0 ? 'later' : 'earlier'}`,
    by.left > 0 ? 'more work is left out' : by.left < 0 ? 'less work is left out' : '',
  ].filter(Boolean)
  return parts.length === 0 ? 'No extra time.' : `It costs: ${parts.join(', ')}.`
}

/** The stop plan that carries all tasks of a machine. */
export function planFor(tasks: readonly Pick<DueTaskRecord, 'plan'>[]): PlanId {
  const has = (p: PlanId) => tasks.some((t) => t.plan === p)
  if (has('full') || (has('dead') && (has('live') || has('running')))) return 'full'
  return has('drive') ? 'drive' : has('dead') ? 'dead' : has('live') ? 'live' : 'running'
}

/** The order a person walks in, visit by visit: that of the plan, with what was moved on the way, then what was added. */
export function walkOrder(page: RoundPage, walker: string | null): string[] {
  const lists = page.plan.order.filter((o) => walker === null || o.walker === walker)
  const timed = page.plan.visits.filter((v) => walker === null || v.walkers.includes(walker)).map((v) => v.visit)
  const planned = lists.length === 1 ? (lists[0]?.visits ?? []) : timed
  const others = page.stops
    .filter((s) => !page.plan.visits.some((v) => v.visit === s.machineId))
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
  walkOrder(page, walker).filter((v) => visitOf(v).part === 'work')

/** What found no room in the plan; what only goes with a machine that found none is not told beside it. */
export function leftOut(page: RoundPage): RoundPage['plan']['left'] {
  const without = new Set(page.plan.left.map((l) => l.visit))
  return page.plan.left.filter((l) => {
    const { machineId, part } = visitOf(l.visit)
    return part === 'work' || (part === 'proof' && !without.has(machineId))
  })
}

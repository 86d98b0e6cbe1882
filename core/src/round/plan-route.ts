import type { Random } from '../machine/index.ts'
import { copied, inOrder, insertAll, type Draft } from './insertion.ts'
import { clockwork } from './clockwork.ts'
import type { RouteProblem } from './route-problem.ts'
import { routeOf, type Route } from './schedule.ts'

/** The order in which steps are put back: the most pressing, the widest, the longest, the farthest, or by chance. */
function sorted(p: RouteProblem, steps: readonly number[], random: Random): number[] {
  const r = random.next()
  const by = (key: (i: number) => number) => [...steps].sort((a, b) => key(b) - key(a))
  const step = (i: number) => p.steps[i]
  const pressing = by((i) => (step(i)?.value ?? 0) * 1000 + (step(i)?.people ?? 1) * 100 + (step(i)?.minutes ?? 0))
  if (r < 0.4) return inOrder(p, pressing)
  if (r < 0.6)
    return inOrder(
      p,
      by((i) => (step(i)?.windows.length ?? 0) * 1000 + (step(i)?.people ?? 1) * 500 + (step(i)?.minutes ?? 0)),
    )
  if (r < 0.8)
    return inOrder(
      p,
      by((i) => p.travel[0]?.[step(i)?.place ?? 0] ?? 0),
    )
  const keys = new Map(steps.map((i) => [i, random.next()]))
  return inOrder(
    p,
    by((i) => keys.get(i) ?? 0),
  )
}

/** Without a step nothing stays that comes after it. */
function followers(p: RouteProblem, gone: Set<number>): void {
  for (let grew = true; grew;) {
    grew = false
    p.steps.forEach((v, i) => {
      const before = v.after === null ? -1 : p.steps.findIndex((x) => x.id === v.after?.step)
      if (before >= 0 && gone.has(before) && !gone.has(i)) {
        gone.add(i)
        grew = true
      }
    })
  }
}

/** Take a stretch of neighbours out of the lists round one step that is picked by chance. */
function ruin(p: RouteProblem, d: Draft, random: Random): number[] {
  const inRoute = [...new Set(d.flat())]
  const seed = inRoute[Math.floor(random.next() * inRoute.length)]
  if (seed === undefined) return []
  const home = p.steps[seed]?.place ?? 0
  const near = inRoute
    .map((i) => [i, p.travel[home]?.[p.steps[i]?.place ?? 0] ?? 0] as const)
    .sort((a, b) => a[1] - b[1])
    .slice(0, 2 + Math.floor(random.next() * Math.min(9, inRoute.length)))
  const gone = new Set(near.map(([i]) => i))
  followers(p, gone)
  for (const [k, list] of d.entries()) d[k] = list.filter((i) => !gone.has(i))
  return [...gone]
}

/** A search that can be stopped after any try: whoever runs it may let others have the machine in between. */
export interface RouteSearch {
  /**
   * One try more. @param over how much of the search is over, 0 to 1, where something else than the tries ends it: the
   * later, the less it takes a worse plan for a way to a better one @returns false when there is nothing left to try
   */
  readonly step: (over?: number) => boolean
  /** The best found so far. */
  readonly best: () => Route
}

/**
 * Who goes where in which order: put in greedily, then again and again a part is taken out and put back better.
 * Every plan it gives keeps windows, people, order and hours; what found no place is named with its reason.
 * @param random seeded, so that the same question has the same answer after as many tries
 * @source ruin and recreate (Schrimpf et al. 2000) with blinks (Christiaens and Vanden Berghe 2020), threshold accepting
 */
export function searchRoute(p: RouteProblem, random: Random, tries: number): RouteSearch {
  const clock = clockwork(p)
  let now: Draft = p.walkers.map(() => [])
  const all = p.steps.map((_, i) => i)
  insertAll(p, clock, now, sorted(p, all, { ...random, next: () => 0 }))
  let nowTotal = clock.of(now).cost.total
  let best = copied(now)
  let bestTotal = nowTotal
  let done = 0
  const step = (over = 0) => {
    if (done >= tries) return false
    const draft = copied(now)
    const gone = ruin(p, draft, random)
    const outside = all.filter((x) => !draft.some((list) => list.includes(x)))
    insertAll(p, clock, draft, sorted(p, [...new Set([...gone, ...outside])], random), () => random.next() < 0.02)
    const t = clock.of(draft)
    const threshold = 0.02 * bestTotal * (1 - Math.min(1, Math.max(over, done / tries)))
    done++
    if (!t.feasible || t.cost.total >= nowTotal + Math.min(threshold, 8)) return true
    now = draft
    nowTotal = t.cost.total
    if (nowTotal < bestTotal - 1e-9) {
      best = copied(now)
      bestTotal = nowTotal
    }
    return true
  }
  return { step, best: () => routeOf(p, best) }
}

/** The best plan after so many tries. */
export function planRoute(p: RouteProblem, random: Random, tries: number): Route {
  const search = searchRoute(p, random, tries)
  while (search.step());
  return search.best()
}

/** The order one takes without planning: each walker to the nearest thing that can still be done. For comparison. */
export function nearestFirst(p: RouteProblem): Route {
  const clock = clockwork(p)
  const d: Draft = p.walkers.map(() => [])
  const open = new Set(p.steps.map((_, i) => i))
  for (;;) {
    let best: { i: number; at: number[]; way: number } | null = null
    for (const i of open) {
      const v = p.steps[i]
      if (!v) continue
      for (let a = 0; a < d.length; a++)
        for (let b = v.people === 2 ? a + 1 : a; b < d.length; b++) {
          if (v.people === 1 && b !== a) break
          const who = v.people === 2 ? [a, b] : [a]
          for (const k of who) d[k]?.push(i)
          const t = clock.of(d)
          const way = t.feasible ? (t.start[i] ?? Infinity) : Infinity
          for (const k of who) d[k]?.pop()
          if (way < (best?.way ?? Infinity)) best = { i, at: who, way }
        }
    }
    if (!best) break
    for (const k of best.at) d[k]?.push(best.i)
    open.delete(best.i)
  }
  return routeOf(p, d)
}

import { copied, inOrder, insertAll } from './insertion.ts'
import { clockwork } from './clockwork.ts'
import type { RouteCost, RouteProblem } from './route-problem.ts'
import { routeOf, type Route } from './schedule.ts'

/** A step moved by hand: to whom, and before which place of the list. */
export interface Move {
  readonly step: string
  readonly walker: string
  readonly position: number
}

/** A plan after a hand has moved in it, and what that costs. */
export interface Repaired {
  readonly route: Route
  /** Then less before: minutes and value; above zero is worse. */
  readonly by: RouteCost
}

const less = (a: RouteCost, b: RouteCost): RouteCost => ({
  travel: a.travel - b.travel,
  waiting: a.waiting - b.waiting,
  hot: a.hot - b.hot,
  left: a.left - b.left,
  back: a.back - b.back,
  total: a.total - b.total,
})

/**
 * Move a step and mend what breaks by it: the moved one stays where the hand put it, what can no longer be kept behind
 * it is taken out and put back where it costs least.
 * @throws RangeError when step or walker are not in the problem, or the step cannot stand there at all
 */
export function moveStep(p: RouteProblem, route: Route, move: Move): Repaired {
  const i = p.steps.findIndex((v) => v.id === move.step)
  const k = p.walkers.findIndex((w) => w.id === move.walker)
  const step = p.steps[i]
  if (!step) throw new RangeError('visit is not in this round')
  if (k < 0) throw new RangeError('that person is not on this round')
  const clock = clockwork(p)
  const index = new Map(p.steps.map((v, n) => [v.id, n]))
  const was = p.walkers.map((w) =>
    (route.order.find((o) => o.walker === w.id)?.steps ?? []).flatMap((v) => index.get(v) ?? []),
  )
  const people = was.flatMap((list, n) => (list.includes(i) ? [n] : []))
  const others = step.people === 2 ? [people.find((n) => n !== k) ?? p.walkers.findIndex((_, n) => n !== k)] : []
  const bare = was.map((list) => list.filter((x) => x !== i))
  // The hand's order is kept as far as it can be walked: the rest is taken out from the end and put back.
  const position = Math.max(0, Math.min(move.position, bare[k]?.length ?? 0))
  for (let keep = bare[k]?.length ?? 0; keep >= 0; keep--) {
    const draft = copied(bare)
    const out = draft[k]?.splice(Math.max(position, keep)) ?? []
    draft[k]?.splice(position, 0, i)
    for (const other of others) {
      const list = draft[other] ?? []
      const starts = clock.of(bare).start
      const near = list.findIndex((x) => (starts[x] ?? 0) >= (starts[bare[k]?.[position] ?? -1] ?? Infinity))
      list.splice(near < 0 ? list.length : near, 0, i)
    }
    if (!clock.of(draft).feasible) {
      if (keep > position) continue
      // Not even with nothing behind it: what lies before it gives way too.
      const ahead = draft[k]?.splice(0, position) ?? []
      if (!clock.of(draft).feasible) throw new RangeError('visit cannot go there')
      insertAll(p, clock, draft, inOrder(p, [...ahead, ...out]), undefined, (w, at) => w === k && at === 0)
      return told(p, route, draft)
    }
    const open = p.steps.flatMap((_, n) => (draft.some((list) => list.includes(n)) || out.includes(n) ? [] : [n]))
    // Nothing is put before the moved one in its list: it stays where the hand put it.
    insertAll(p, clock, draft, inOrder(p, [...out, ...open]), undefined, (w, at) => w === k && at <= position)
    return told(p, route, draft)
  }
  throw new RangeError('visit cannot go there')
}

function told(p: RouteProblem, before: Route, draft: number[][]): Repaired {
  const route = routeOf(p, draft)
  return { route, by: less(route.cost, before.cost) }
}

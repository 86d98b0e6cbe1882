import type { Clockwork, RouteProblem, Sequences } from './schedule.ts'

/** Lists that are changed in place while a plan is being looked for. */
export type Draft = number[][]

export const copied = (s: Sequences): Draft => s.map((list) => [...list])

/** A place for a visit: which walkers, where in their lists, and what the whole plan then costs. */
interface Slot {
  readonly at: readonly (readonly [walker: number, position: number])[]
  readonly total: number
}

const put = (d: Draft, i: number, at: Slot['at']) => {
  for (const [k, position] of at) d[k]?.splice(position, 0, i)
}
const take = (d: Draft, at: Slot['at']) => {
  for (const [k, position] of at) d[k]?.splice(position, 1)
}

/** How far from the time it would fall in a second person's list is tried for a visit of two. */
const reach = 1

function* slotsOf(
  p: RouteProblem,
  clock: Clockwork,
  d: Draft,
  i: number,
  fixed: (k: number, position: number) => boolean,
): Generator<Slot['at']> {
  const v = p.visits[i]
  if (!v) return
  if (v.people === 1) {
    for (const [k, list] of d.entries())
      for (let position = 0; position <= list.length; position++) if (!fixed(k, position)) yield [[k, position]]
    return
  }
  const starts = Float64Array.from(clock.of(d).start)
  for (let a = 0; a < d.length; a++)
    for (let b = a + 1; b < d.length; b++) {
      const first = d[a] ?? []
      const second = d[b] ?? []
      for (let position = 0; position <= first.length; position++) {
        if (fixed(a, position)) continue
        const when = first[position] === undefined ? Infinity : (starts[first[position] ?? 0] ?? Infinity)
        const near = second.findIndex((x) => (starts[x] ?? 0) >= when)
        const middle = near < 0 ? second.length : near
        for (let other = Math.max(0, middle - reach); other <= Math.min(second.length, middle + reach); other++)
          if (!fixed(b, other))
            yield [
              [a, position],
              [b, other],
            ]
      }
    }
}

/** The cheapest place for a visit in lists that can be walked, or null when there is none. `skip` blinks past a place. */
export function bestSlot(
  p: RouteProblem,
  clock: Clockwork,
  d: Draft,
  i: number,
  skip: () => boolean = () => false,
  fixed: (k: number, position: number) => boolean = () => false,
): Slot | null {
  let best: Slot | null = null
  for (const at of slotsOf(p, clock, d, i, fixed)) {
    if (skip()) continue
    put(d, i, at)
    const t = clock.of(d)
    if (t.feasible && (best === null || t.cost.total < best.total)) best = { at, total: t.cost.total }
    take(d, at)
  }
  return best
}

/** What comes after something is put in after it. */
export function inOrder(p: RouteProblem, visits: readonly number[]): number[] {
  const index = new Map(p.visits.map((v, i) => [v.id, i]))
  const out: number[] = []
  const seen = new Set<number>()
  const add = (i: number) => {
    if (seen.has(i)) return
    seen.add(i)
    const before = p.visits[i]?.after?.visit
    const b = before === undefined ? undefined : index.get(before)
    if (b !== undefined && visits.includes(b)) add(b)
    out.push(i)
  }
  visits.forEach(add)
  return out
}

/** Put visits in, one after another, each where it costs least; those that find no place stay out. */
export function insertAll(
  p: RouteProblem,
  clock: Clockwork,
  d: Draft,
  visits: readonly number[],
  skip?: () => boolean,
  fixed?: (k: number, position: number) => boolean,
): void {
  for (const i of visits) {
    const without = clock.of(d).cost.total
    const slot = bestSlot(p, clock, d, i, skip, fixed)
    if (slot && slot.total < without) put(d, i, slot.at)
  }
}

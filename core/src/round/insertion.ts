import { weights, type Clockwork } from './clockwork.ts'
import { fits, type RouteProblem, type Sequences } from './route-problem.ts'
import { earliestAt, latestStarts, leavesRoom, type Room } from './slack.ts'

/** Lists that are changed in place while a plan is being looked for. */
export type Draft = number[][]

export const copied = (s: Sequences): Draft => s.map((list) => [...list])

/** A place for a step: which walkers, where in their lists, and what walking them then costs. */
interface Slot {
  readonly at: readonly (readonly [walker: number, position: number])[]
  readonly walked: number
}

const put = (d: Draft, i: number, at: Slot['at']) => {
  for (const [k, position] of at) d[k]?.splice(position, 0, i)
}
const take = (d: Draft, at: Slot['at']) => {
  for (const [k, position] of at) d[k]?.splice(position, 1)
}

/** How far from the time it would fall in a second person's list is tried for a step of two. */
const reach = 1

/** A place to be tried, and how much longer the walk gets by it. */
interface Try {
  readonly at: Slot['at']
  readonly detour: number
}

/**
 * Every place a step may be put that its own lists leave room for, the shortest detour first.
 * @param ready when what it comes after is done and has waited
 * @param starts when each step begins as the lists are
 */
function triesOf(
  p: RouteProblem,
  room: Room,
  i: number,
  ready: number,
  starts: Float64Array,
  fixed: (k: number, position: number) => boolean,
): Try[] {
  const v = p.steps[i]
  if (!v) return []
  const d = room.lists
  const way = (from: number, to: number) => p.travel[from]?.[to] ?? 0
  const placeOf = (x: number | undefined) => (x === undefined ? 0 : (p.steps[x]?.place ?? 0))
  const out: Try[] = []
  const add = (at: Slot['at']) => {
    let begins: number | null = ready
    let detour = 0
    for (const [k, position] of at) {
      const earliest = earliestAt(p, room, v, k, position)
      if (earliest === null) return
      begins = Math.max(begins, earliest)
      const list = d[k] ?? []
      const from = placeOf(list[position - 1])
      const to = placeOf(list[position])
      detour += way(from, v.place) + way(v.place, to) - (list.length === 0 ? 0 : way(from, to))
    }
    begins = fits(v, begins)
    if (begins === null) return
    for (const [k, position] of at) if (!leavesRoom(p, room, v, k, position, begins)) return
    out.push({ at, detour })
  }
  if (v.people === 1)
    d.forEach((list, k) => {
      for (let position = 0; position <= list.length; position++) if (!fixed(k, position)) add([[k, position]])
    })
  else
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
              add([
                [a, position],
                [b, other],
              ])
        }
      }
  return out.sort((x, y) => x.detour - y.detour)
}

/** Lists as they are walked without a step that is to be put in. */
interface Base {
  readonly room: Room
  readonly starts: Float64Array
  readonly walked: number
  /** What a step could save at most by standing in the way: all the waiting and all the heat. */
  readonly gain: number
}

function baseOf(p: RouteProblem, clock: Clockwork, d: Draft): Base {
  const { cost, start, end } = clock.of(d)
  return {
    room: { lists: d, ends: Float64Array.from(end), latest: d.map((list, k) => latestStarts(p, list, k)) },
    starts: Float64Array.from(start),
    walked: cost.total - weights.left * cost.left,
    gain: weights.waiting * cost.waiting + weights.hot * cost.hot,
  }
}

/**
 * The cheapest place for a step in lists that can be walked, or null when there is none. `skip` blinks past a place.
 * @param before what it comes after; -1: nothing
 */
function bestSlot(
  p: RouteProblem,
  clock: Clockwork,
  d: Draft,
  i: number,
  before: number,
  base: Base,
  skip: () => boolean,
  fixed: (k: number, position: number) => boolean,
): Slot | null {
  if (before >= 0 && !d.some((list) => list.includes(before))) return null
  const ready = before < 0 ? -Infinity : (base.room.ends[before] ?? 0) + (p.steps[i]?.after?.wait ?? 0)
  let best: Slot | null = null
  for (const { at, detour } of triesOf(p, base.room, i, ready, base.starts, fixed)) {
    // No place is better than its detour, but for what it saves.
    if (best && base.walked + weights.travel * detour - base.gain >= best.walked) break
    if (skip()) continue
    put(d, i, at)
    const walked = clock.walked(d, best?.walked)
    if (walked < Infinity) best = { at, walked }
    take(d, at)
  }
  return best
}

/** What comes after something is put in after it. */
export function inOrder(p: RouteProblem, steps: readonly number[]): number[] {
  const index = new Map(p.steps.map((v, i) => [v.id, i]))
  const out: number[] = []
  const seen = new Set<number>()
  const add = (i: number) => {
    if (seen.has(i)) return
    seen.add(i)
    const before = p.steps[i]?.after?.step
    const b = before === undefined ? undefined : index.get(before)
    if (b !== undefined && steps.includes(b)) add(b)
    out.push(i)
  }
  steps.forEach(add)
  return out
}

/** Put steps in, one after another, each where it costs least; those that find no place stay out. */
export function insertAll(
  p: RouteProblem,
  clock: Clockwork,
  d: Draft,
  steps: readonly number[],
  skip: () => boolean = () => false,
  fixed: (k: number, position: number) => boolean = () => false,
): void {
  for (const i of steps) {
    const base = baseOf(p, clock, d)
    const slot = bestSlot(p, clock, d, i, clock.before[i] ?? -1, base, skip, fixed)
    // What it costs to walk there against what it costs to leave it.
    if (slot && slot.walked < base.walked + weights.left * (p.steps[i]?.value ?? 0)) put(d, i, slot.at)
  }
}

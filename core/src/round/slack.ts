import { fits, type RouteProblem, type RouteStep } from './route-problem.ts'

/** Minutes from the end of one step to the beginning of the next: the way, and the lock where it is another one. */
export function between(p: RouteProblem, from: RouteStep | undefined, to: RouteStep): number {
  const way = p.travel[from?.place ?? 0]?.[to.place] ?? 0
  return way + (to.lock !== null && to.lock !== (from?.lock ?? null) ? p.lockMinutes : 0)
}

const homeFrom = (p: RouteProblem, v: RouteStep): number => p.travel[v.place]?.[0] ?? 0

/** The latest a step may begin whatever stands around it. */
function latestAlone(p: RouteProblem, v: RouteStep): number {
  const windows = v.windows.length === 0 ? Infinity : Math.max(...v.windows.map((w) => w.to)) - v.minutes
  return p.storm !== null && v.outdoors ? Math.min(windows, p.storm - v.minutes) : windows
}

/**
 * The latest each step of a list may begin for all that follows in it to be kept; at its end what is left of the day. What
 * other lists ask is not in it: a list that keeps to this may still not be walked, one that does not cannot be.
 */
export function latestStarts(p: RouteProblem, list: readonly number[], walker: number): Float64Array {
  const out = new Float64Array(list.length)
  const to = p.walkers[walker]?.to ?? 0
  for (let at = list.length - 1; at >= 0; at--) {
    const v = p.steps[list[at] ?? -1]
    if (!v) continue
    const next = p.steps[list[at + 1] ?? -1]
    const rest = next ? (out[at + 1] ?? 0) - between(p, v, next) : to - homeFrom(p, v)
    out[at] = Math.min(latestAlone(p, v), rest - v.minutes)
  }
  return out
}

/** Lists as they are walked, with what each place in them leaves. */
export interface Room {
  readonly lists: readonly (readonly number[])[]
  readonly ends: Float64Array
  readonly latest: readonly Float64Array[]
}

/** When the work of a step could begin at a place of a list, from what lies before it there; null: not at all. */
export function earliestAt(p: RouteProblem, room: Room, v: RouteStep, k: number, position: number): number | null {
  const before = room.lists[k]?.[position - 1]
  const free = before === undefined ? (p.walkers[k]?.from ?? 0) : (room.ends[before] ?? 0)
  return fits(v, free + between(p, before === undefined ? undefined : p.steps[before], v))
}

/** Is what follows a place of a list still kept, when a step there begins at that time? */
export function leavesRoom(
  p: RouteProblem,
  room: Room,
  v: RouteStep,
  k: number,
  position: number,
  begins: number,
): boolean {
  const next = p.steps[room.lists[k]?.[position] ?? -1]
  const ends = begins + v.minutes
  return next
    ? ends + between(p, v, next) <= (room.latest[k]?.[position] ?? 0) + 1e-6
    : ends + homeFrom(p, v) <= (p.walkers[k]?.to ?? 0) + 1e-6
}

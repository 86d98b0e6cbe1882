import { requireMagnitude } from '../quantity/index.ts'

/** A place on a plan, metres from its upper left corner. */
export interface Spot {
  readonly x: number
  readonly y: number
}
export interface Box extends Spot {
  readonly w: number
  readonly h: number
}

/** What a roof or room looks like from above. Metres. */
export interface RoofMap {
  readonly width: number
  readonly depth: number
  /** Footprint of each unit, by its id. */
  readonly units: Readonly<Record<string, Box>>
  /** The edge past which one falls, in order round; empty: not drawn. */
  readonly edge: readonly Spot[]
  /** Where one comes in: a hatch or a door. */
  readonly hatches: readonly (Spot & { readonly id: string; readonly name: string })[]
  /** Ladders: to another area, or within this one over a height. */
  readonly ladders: readonly (Spot & {
    readonly id: string
    readonly name: string
    readonly to: string | null
    readonly height: number
  })[]
  readonly obstacles: readonly (Box & {
    readonly id: string
    readonly name: string
    readonly kind: 'obstacle' | 'keep-clear'
  })[]
  /** A picture the plan is drawn over, and where it lies; null: none. */
  readonly underlay: (Box & { readonly id: string }) | null
}

export const blankMap: RoofMap = {
  width: 40,
  depth: 24,
  units: {},
  edge: [],
  hatches: [],
  ladders: [],
  obstacles: [],
  underlay: null,
}

const apart = (a: Spot, b: Spot) => Math.hypot(a.x - b.x, a.y - b.y)
const slack = 1e-9

/** Does the straight way from a to b pass through the inside of a box? Along its side is no crossing. */
function crosses(a: Spot, b: Spot, box: Box): boolean {
  let from = 0
  let to = 1
  for (const [p, d, low, high] of [
    [a.x, b.x - a.x, box.x, box.x + box.w],
    [a.y, b.y - a.y, box.y, box.y + box.h],
  ] as const) {
    if (Math.abs(d) < slack) {
      if (p <= low + slack || p >= high - slack) return false
      continue
    }
    const t1 = (low - p) / d
    const t2 = (high - p) / d
    from = Math.max(from, Math.min(t1, t2))
    to = Math.min(to, Math.max(t1, t2))
  }
  return to - from > slack
}

const corners = (b: Box): Spot[] => [
  { x: b.x, y: b.y },
  { x: b.x + b.w, y: b.y },
  { x: b.x + b.w, y: b.y + b.h },
  { x: b.x, y: b.y + b.h },
]

/** A way over an area: its length and the points it bends at, both ends included. */
export interface Way {
  readonly metres: number
  readonly points: readonly Spot[]
}

/**
 * The shortest way between two spots that goes round every obstacle and every place to keep clear of.
 * @returns the straight way where one of the spots lies inside an obstacle, or none leads round
 * @throws RangeError when a coordinate is not a number
 * @source shortest path over the corners that see each other
 */
export function walkIn(map: Pick<RoofMap, 'obstacles'>, a: Spot, b: Spot): Way {
  for (const v of [a.x, a.y, b.x, b.y]) requireMagnitude('spot', Math.abs(v))
  const straight = { metres: apart(a, b), points: [a, b] }
  const blocked = map.obstacles
  if (!blocked.some((o) => crosses(a, b, o))) return straight
  const spots = [a, b, ...blocked.flatMap(corners)]
  const far = spots.map((s) => (s === a ? 0 : Infinity))
  const before = spots.map(() => -1)
  const done = spots.map(() => false)
  for (;;) {
    let here = -1
    for (let i = 0; i < spots.length; i++)
      if (!done[i] && (far[i] ?? Infinity) < (here < 0 ? Infinity : (far[here] ?? Infinity))) here = i
    const from = spots[here]
    if (here < 0 || !from) return straight
    if (here === 1) break
    done[here] = true
    for (const [i, to] of spots.entries()) {
      if (done[i]) continue
      const length = (far[here] ?? 0) + apart(from, to)
      if (length >= (far[i] ?? Infinity) || blocked.some((o) => crosses(from, to, o))) continue
      far[i] = length
      before[i] = here
    }
  }
  const points: Spot[] = []
  for (let i = 1; i >= 0; i = before[i] ?? -1) {
    const spot = spots[i]
    if (spot) points.unshift(spot)
  }
  return { metres: far[1] ?? straight.metres, points }
}

export const middleOf = (b: Box): Spot => ({ x: b.x + b.w / 2, y: b.y + b.h / 2 })

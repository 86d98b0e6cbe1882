import { middleOf, walkIn, type RoofMap, type Spot } from './ground.ts'

/** An area as travel sees it. */
export interface TravelArea {
  readonly id: string
  readonly siteId: string
  readonly map: RoofMap
}

/** Minutes of getting about. @source common practice: a walking pace with tools, ladders with a tool bag hauled */
export const pace = {
  metresAMinute: 50,
  hatch: 2,
  ladder: 2,
  ladderPerMetre: 0.5,
  betweenAreas: 6,
  betweenSites: 30,
  /** To a unit that is on no plan. */
  unknown: 2,
} as const

interface Place {
  readonly area: string
  readonly spot: Spot | null
}

/** The ways out of an area: its hatches, and its ladders to elsewhere. */
const doors = (a: TravelArea): { spot: Spot; cost: number }[] =>
  a.map.hatches.map((h) => ({ spot: h, cost: pace.hatch }))

const walk = (map: RoofMap, a: Spot | null, b: Spot | null) =>
  a === null || b === null ? pace.unknown : walkIn(map, a, b).metres / pace.metresAMinute

/** From a place to the outside of its area: by the nearest hatch. */
function wayOut(a: TravelArea, from: Spot | null): number {
  const ways = doors(a).map((d) => walk(a.map, from, d.spot) + d.cost)
  return ways.length === 0 ? pace.unknown + pace.hatch : Math.min(...ways)
}

/** By a ladder that leads straight from one area to the other, or null. */
function byLadder(from: TravelArea, to: TravelArea, a: Spot | null, b: Spot | null): number | null {
  const ways = [
    ...from.map.ladders
      .filter((l) => l.to === to.id)
      .map((l) => ({ foot: l, area: from, here: a, there: b, other: to })),
    ...to.map.ladders
      .filter((l) => l.to === from.id)
      .map((l) => ({ foot: l, area: to, here: b, there: a, other: from })),
  ].map(({ foot, area, here, there, other }) => {
    const landing = other.map.ladders.find((l) => l.to === area.id) ?? other.map.hatches[0] ?? null
    return (
      walk(area.map, here, foot) + pace.ladder + pace.ladderPerMetre * foot.height + walk(other.map, landing, there)
    )
  })
  return ways.length === 0 ? null : Math.min(...ways)
}

/**
 * Minutes from any place to any other: over the plan of an area round its obstacles, by ladder or hatch to another area,
 * by road to another site.
 * @param units area and id of each unit to be visited
 * @returns square matrix; the first row and column is the start: the first hatch of the first area
 * @throws RangeError when a unit's area is not given
 */
export function travelMinutes(
  areas: readonly TravelArea[],
  units: readonly { readonly area: string; readonly unit: string }[],
): number[][] {
  const known = new Map(areas.map((a) => [a.id, a]))
  const areaOf = (id: string): TravelArea => {
    const a = known.get(id)
    if (!a) throw new RangeError(`area ${id} is not given`)
    return a
  }
  const first = units[0]
  const places: Place[] = units.map((u) => {
    const box = areaOf(u.area).map.units[u.unit]
    return { area: u.area, spot: box ? middleOf(box) : null }
  })
  const gate: Place = { area: first?.area ?? '', spot: first ? (areaOf(first.area).map.hatches[0] ?? null) : null }
  const all = [gate, ...places]
  const out = all.map((p) => (p.area === '' ? 0 : wayOut(areaOf(p.area), p.spot)))
  return all.map((p, i) =>
    all.map((q, j) => {
      if (i === j) return 0
      const a = areaOf(p.area)
      const b = areaOf(q.area)
      if (a.id === b.id) return p.spot === null && q.spot === null ? pace.unknown : walk(a.map, p.spot, q.spot)
      const outside = (out[i] ?? 0) + (out[j] ?? 0) + (a.siteId === b.siteId ? pace.betweenAreas : pace.betweenSites)
      return Math.min(outside, byLadder(a, b, p.spot, q.spot) ?? Infinity)
    }),
  )
}

import type { RoofMap, Box, Spot } from '@motor-round/core/round'

/** What can be put on a map. */
export type Thing = 'hatch' | 'ladder' | 'obstacle' | 'keep-clear' | 'edge'

/** To the grid: finer than a roof is paced out. */
const snap = (v: number, grid: number) => Math.round(Math.round(v / grid) * grid * 1e6) / 1e6
const within = (v: number, low: number, high: number) => Math.min(Math.max(v, low), Math.max(low, high))

/** Move a unit, its corner to a spot, on the map. @param grid meters */
export function moveUnit(map: RoofMap, id: string, to: Spot, grid = 0.5): RoofMap {
  const box = map.units[id]
  if (!box) return map
  const moved: Box = {
    ...box,
    x: within(snap(to.x, grid), 0, map.width - box.w),
    y: within(snap(to.y, grid), 0, map.depth - box.h),
  }
  return { ...map, units: { ...map.units, [id]: moved } }
}

/** Turn a unit by a quarter. */
export function turnUnit(map: RoofMap, id: string, grid = 0.5): RoofMap {
  const box = map.units[id]
  return box ? moveUnit({ ...map, units: { ...map.units, [id]: { ...box, w: box.h, h: box.w } } }, id, box, grid) : map
}

/** Put something where the plan was tapped; `id` is new. A corner of the edge is added behind the last one. */
export function put(map: RoofMap, thing: Thing, at: Spot, id: string, grid = 0.5): RoofMap {
  const spot = { x: within(snap(at.x, grid), 0, map.width), y: within(snap(at.y, grid), 0, map.depth) }
  switch (thing) {
    case 'hatch':
      return { ...map, hatches: [...map.hatches, { id, name: '', ...spot }] }
    case 'ladder':
      return { ...map, ladders: [...map.ladders, { id, name: '', to: null, height: 3, ...spot }] }
    case 'edge':
      return { ...map, edge: [...map.edge, spot] }
    case 'obstacle':
    case 'keep-clear':
      return { ...map, obstacles: [...map.obstacles, { id, name: '', kind: thing, ...spot, w: 3, h: 2 }] }
  }
}

/** Take something off. */
export const takeOff = (map: RoofMap, id: string): RoofMap => ({
  ...map,
  hatches: map.hatches.filter((h) => h.id !== id),
  ladders: map.ladders.filter((l) => l.id !== id),
  obstacles: map.obstacles.filter((o) => o.id !== id),
})

/** Put back what was taken off, as it was before; what was changed since stays. */
export function putBack(now: RoofMap, before: RoofMap, id: string): RoofMap {
  const of = <T extends { readonly id: string }>(list: readonly T[], old: readonly T[]): readonly T[] => [
    ...list,
    ...old.filter((x) => x.id === id && !list.some((y) => y.id === id)),
  ]
  return {
    ...now,
    hatches: of(now.hatches, before.hatches),
    ladders: of(now.ladders, before.ladders),
    obstacles: of(now.obstacles, before.obstacles),
  }
}

/** Lay a picture under a plan: as wide as the plan, in the proportions of its pixels. */
export const layUnder = (map: RoofMap, picture: { id: string; width: number; height: number }): RoofMap => ({
  ...map,
  underlay: { id: picture.id, x: 0, y: 0, w: map.width, h: (map.width * picture.height) / picture.width },
})

/** Bring the picture to scale: two spots on it are so many metres apart; the first stays where it is. */
export function toScale(map: RoofMap, [a, b]: readonly [Spot, Spot], metres: number): RoofMap {
  const under = map.underlay
  const now = Math.hypot(b.x - a.x, b.y - a.y)
  if (!under || now <= 0 || metres <= 0) return map
  const by = metres / now
  const round = (v: number) => Math.round(v * 1000) / 1000
  return {
    ...map,
    underlay: {
      ...under,
      x: round(a.x + (under.x - a.x) * by),
      y: round(a.y + (under.y - a.y) * by),
      w: round(under.w * by),
      h: round(under.h * by),
    },
  }
}

import type { AreaPlan, Box, Spot } from '@motor-round/core/round'

/** What can be put on a plan. */
export type Thing = 'hatch' | 'ladder' | 'obstacle' | 'keep-clear' | 'edge'

/** Half a metre: finer than a roof is paced out. */
const grid = (v: number) => Math.round(v * 2) / 2
const within = (v: number, low: number, high: number) => Math.min(Math.max(v, low), Math.max(low, high))

/** Move a unit, its corner to a spot, on the plan. */
export function moveUnit(plan: AreaPlan, id: string, to: Spot): AreaPlan {
  const box = plan.units[id]
  if (!box) return plan
  const moved: Box = {
    ...box,
    x: within(grid(to.x), 0, plan.width - box.w),
    y: within(grid(to.y), 0, plan.depth - box.h),
  }
  return { ...plan, units: { ...plan.units, [id]: moved } }
}

/** Turn a unit by a quarter. */
export function turnUnit(plan: AreaPlan, id: string): AreaPlan {
  const box = plan.units[id]
  return box ? moveUnit({ ...plan, units: { ...plan.units, [id]: { ...box, w: box.h, h: box.w } } }, id, box) : plan
}

/** Put something where the plan was tapped; `id` is new. A corner of the edge is added behind the last one. */
export function put(plan: AreaPlan, thing: Thing, at: Spot, id: string): AreaPlan {
  const spot = { x: within(grid(at.x), 0, plan.width), y: within(grid(at.y), 0, plan.depth) }
  switch (thing) {
    case 'hatch':
      return { ...plan, hatches: [...plan.hatches, { id, name: '', ...spot }] }
    case 'ladder':
      return { ...plan, ladders: [...plan.ladders, { id, name: '', to: null, height: 3, ...spot }] }
    case 'edge':
      return { ...plan, edge: [...plan.edge, spot] }
    case 'obstacle':
    case 'keep-clear':
      return { ...plan, obstacles: [...plan.obstacles, { id, name: '', kind: thing, ...spot, w: 3, h: 2 }] }
  }
}

/** Take something off. */
export const takeOff = (plan: AreaPlan, id: string): AreaPlan => ({
  ...plan,
  hatches: plan.hatches.filter((h) => h.id !== id),
  ladders: plan.ladders.filter((l) => l.id !== id),
  obstacles: plan.obstacles.filter((o) => o.id !== id),
})

/** Lay a picture under a plan: as wide as the plan, in the proportions of its pixels. */
export const layUnder = (plan: AreaPlan, picture: { id: string; width: number; height: number }): AreaPlan => ({
  ...plan,
  underlay: { id: picture.id, x: 0, y: 0, w: plan.width, h: (plan.width * picture.height) / picture.width },
})

/** Bring the picture to scale: two spots on it are so many metres apart; the first stays where it is. */
export function toScale(plan: AreaPlan, [a, b]: readonly [Spot, Spot], metres: number): AreaPlan {
  const under = plan.underlay
  const now = Math.hypot(b.x - a.x, b.y - a.y)
  if (!under || now <= 0 || metres <= 0) return plan
  const by = metres / now
  const round = (v: number) => Math.round(v * 1000) / 1000
  return {
    ...plan,
    underlay: {
      ...under,
      x: round(a.x + (under.x - a.x) * by),
      y: round(a.y + (under.y - a.y) * by),
      w: round(under.w * by),
      h: round(under.h * by),
    },
  }
}

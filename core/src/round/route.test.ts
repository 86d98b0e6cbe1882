import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { seeded } from '../machine/index.ts'
import { roundOf } from './round.test-help.ts'
import {
  clockwork,
  moveStep,
  nearestFirst,
  planRoute,
  searchRoute,
  type Route,
  type RouteProblem,
  type RouteStep,
} from './index.ts'

/** Everything a plan has to keep, read off the plan alone and not by what made it. */
function broken(p: RouteProblem, route: Route): string[] {
  const out: string[] = []
  const timed = new Map(route.steps.map((v) => [v.step, v]))
  for (const v of p.steps) {
    const t = timed.get(v.id)
    const left = route.left.some((l) => l.step === v.id)
    if ((t === undefined) !== left) out.push(`${v.id} is neither planned nor left, or both`)
    if (!t) continue
    if (t.walkers.length !== v.people) out.push(`${v.id} has ${t.walkers.length} people`)
    if (Math.abs(t.end - t.start - v.minutes) > 1e-6) out.push(`${v.id} has not its minutes`)
    if (v.windows.length > 0 && !v.windows.some((w) => t.start >= w.from - 1e-6 && t.end <= w.to + 1e-6))
      out.push(`${v.id} is outside of its windows`)
    if (p.storm !== null && v.outdoors && t.end > p.storm + 1e-6) out.push(`${v.id} is out in the storm`)
    if (v.serves !== undefined && !timed.has(v.serves)) out.push(`${v.id} is done for nothing`)
    if (v.after) {
      const b = timed.get(v.after.step)
      if (!b || t.start < b.end + v.after.wait - 1e-6) out.push(`${v.id} comes before what it follows`)
    }
  }
  for (const w of p.walkers) {
    let time = w.from
    let place = 0
    let lock: string | null = null
    for (const id of route.order.find((o) => o.walker === w.id)?.steps ?? []) {
      const v = p.steps.find((x) => x.id === id)
      const t = timed.get(id)
      if (!v || !t) throw new Error('a list names what is not there')
      const least = time + (p.travel[place]?.[v.place] ?? 0) + (v.lock !== null && v.lock !== lock ? p.lockMinutes : 0)
      if (t.start < least - 1e-6) out.push(`${w.id} cannot be at ${id} yet`)
      if (!t.walkers.includes(w.id)) out.push(`${id} does not name ${w.id}`)
      time = t.end
      place = v.place
      lock = v.lock
    }
    if (place !== 0 && time + (p.travel[place]?.[0] ?? 0) > w.to + 1e-6) out.push(`${w.id} is late home`)
  }
  return out
}

describe('a planned round', () => {
  it('keeps windows, people, what comes before, hours and storm, whatever is asked', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1e6 }),
        fc.integer({ min: 1, max: 16 }),
        fc.integer({ min: 1, max: 3 }),
        fc.option(fc.integer({ min: 430, max: 800 }), { nil: null }),
        (seed, count, people, storm) => {
          const p = roundOf(seed, count, people, { storm })
          expect(broken(p, planRoute(p, seeded(seed), 25))).toEqual([])
          expect(broken(p, nearestFirst(p))).toEqual([])
        },
      ),
      { numRuns: 60 },
    ))
  it('is never dearer than going to the nearest thing first, and with time it is cheaper', () => {
    const made = [11, 12, 13, 14].map((seed) => {
      const p = roundOf(seed, 24, 2)
      return { route: planRoute(p, seeded(1), 250).cost.total, near: nearestFirst(p).cost.total }
    })
    for (const { route, near } of made) expect(route).toBeLessThanOrEqual(near + 1e-6)
    expect(made.reduce((a, m) => a + m.route / m.near, 0) / made.length).toBeLessThan(0.97)
  })
  it('finds the best of all orders where all can be tried', () => {
    const p = roundOf(5, 6, 1, {})
    const clock = clockwork(p)
    const orders = (rest: number[]): number[][] =>
      rest.length === 0 ? [[]] : rest.flatMap((x) => orders(rest.filter((y) => y !== x)).map((o) => [x, ...o]))
    const all = orders(p.steps.map((_, i) => i)).map((o) => clock.of([o]))
    const best = Math.min(...all.filter((t) => t.feasible).map((t) => t.cost.total))
    expect(planRoute(p, seeded(2), 300).cost.total).toBeCloseTo(best, 6)
  })
  it('gives the same answer to the same question', () => {
    const p = roundOf(8, 15, 2)
    expect(planRoute(p, seeded(4), 40)).toEqual(planRoute(p, seeded(4), 40))
  })
  it('may be stopped after any try, with the best found until then', () => {
    const p = roundOf(9, 12, 2)
    const search = searchRoute(p, seeded(1), 5)
    const costs = [search.best().cost.total]
    while (search.step()) costs.push(search.best().cost.total)
    expect(costs).toHaveLength(6)
    expect(costs).toEqual(costs.toSorted((a, b) => b - a))
    expect(search.best()).toEqual(planRoute(p, seeded(1), 5))
  })
})

const step = (id: string, place: number, over: Partial<RouteStep> = {}): RouteStep => ({
  id,
  place,
  minutes: 10,
  people: 1,
  windows: [],
  outdoors: true,
  lock: null,
  after: null,
  value: 1,
  ...over,
})
const line = (n: number) =>
  Array.from({ length: n }, (_, i) => Array.from({ length: n }, (_v, j) => Math.abs(i - j) * 2))
const small = (steps: RouteStep[], over: Partial<RouteProblem> = {}): RouteProblem => ({
  steps,
  walkers: [{ id: 'a', from: 480, to: 960 }],
  travel: line(8),
  lockMinutes: 6,
  heat: null,
  storm: null,
  ...over,
})
const routed = (p: RouteProblem) => planRoute(p, seeded(1), 60)
const startOf = (r: Route, id: string) => r.steps.find((v) => v.step === id)?.start ?? NaN

describe('what a round minds', () => {
  it('fills a soak with other work instead of waiting it out', () => {
    const r = routed(
      small([step('oil', 1), step('turn', 1, { after: { step: 'oil', wait: 30 } }), step('b', 2), step('c', 3)]),
    )
    expect(startOf(r, 'turn')).toBeGreaterThanOrEqual(startOf(r, 'oil') + 40)
    expect(r.cost.waiting).toBeLessThan(10)
    expect(r.left).toEqual([])
  })
  it('goes to what presses with whoever is there first, not with who comes later and is nearer', () => {
    const walkers = [
      { id: 'a', from: 480, to: 960 },
      { id: 'b', from: 600, to: 960 },
    ]
    const steps = [step('near', 1), step('far', 4, { urgency: 25 }), ...[1, 1, 1].map((p, i) => step(`n${i}`, p))]
    const r = routed(small(steps, { walkers }))
    expect(r.order[0]?.steps[0]).toBe('far')
  })
  it('locks out first, does other work meanwhile, and comes back to it', () => {
    const r = routed(
      small([
        step('d:lock', 1, { minutes: 2, lock: 'd', serves: 'd', value: 2 }),
        step('d', 1, { after: { step: 'd:lock', wait: 15 } }),
        step('b', 1),
        step('c', 2),
      ]),
    )
    expect(startOf(r, 'd')).toBeGreaterThanOrEqual(startOf(r, 'd:lock') + 17)
    expect(r.cost.waiting).toBe(0)
    expect(r.left).toEqual([])
  })
  it('locks nothing out whose work finds no room', () => {
    const p = small([
      step('d:lock', 1, { minutes: 2, lock: 'd', serves: 'd', value: 2 }),
      step('d', 1, { after: { step: 'd:lock', wait: 15 }, windows: [{ from: 480, to: 500 }] }),
      step('b', 2),
    ])
    const r = routed(p)
    expect(r.order[0]?.steps).toEqual(['b'])
    expect(r.left.map((l) => l.step)).toEqual(['d:lock', 'd'])
    expect(moveStep(p, r, { step: 'b', walker: 'a', position: 0 }).route.order[0]?.steps).toEqual(['b'])
  })
  it('takes along by hand what comes after, when what comes first is moved behind it', () => {
    const p = small([
      step('d', 1),
      step('d:proof', 1, { minutes: 6, after: { step: 'd', wait: 20 } }),
      step('b', 2),
      step('c', 3),
    ])
    const moved = moveStep(p, routed(p), { step: 'd', walker: 'a', position: 3 })
    expect(moved.route.left).toEqual([])
    expect(startOf(moved.route, 'd:proof')).toBeGreaterThanOrEqual(startOf(moved.route, 'd') + 30)
  })
  it('goes on under one lock before it takes another', () => {
    const r = routed(small([step('x1', 1, { lock: 'x' }), step('y', 1, { lock: 'y' }), step('x2', 1, { lock: 'x' })]))
    const order = r.order[0]?.steps ?? []
    expect(Math.abs(order.indexOf('x1') - order.indexOf('x2'))).toBe(1)
  })
  it('keeps outdoor work out of the heat where the rest can take its place', () => {
    const p = small([step('roof', 1, { minutes: 60 }), step('room', 2, { minutes: 60, outdoors: false })], {
      walkers: [{ id: 'a', from: 720, to: 960 }],
      heat: { from: 720, to: 785 },
    })
    expect(routed(p).order[0]?.steps).toEqual(['room', 'roof'])
  })
  it('leaves undone what the storm, the hours or too few people do not allow, and says which', () => {
    const p = small(
      [
        step('wet', 1, { minutes: 50 }),
        step('two', 2, { people: 2 }),
        step('shut', 3, { windows: [{ from: 200, to: 260 }] }),
        step('fine', 4, { outdoors: false }),
      ],
      { storm: 500 },
    )
    const r = routed(p)
    expect(Object.fromEntries(r.left.map((l) => [l.step, l.why]))).toEqual({
      wet: 'not before the storm',
      two: 'needs two people',
      shut: 'the unit may not be shut down at these times',
    })
    expect(r.steps.map((v) => v.step)).toEqual(['fine'])
  })
  it('leaves the least pressing where the day is too short', () => {
    const r = routed(
      small([step('a', 1, { value: 1 }), step('b', 1, { value: 9 }), step('c', 1, { value: 5 })], {
        walkers: [{ id: 'a', from: 480, to: 505 }],
      }),
    )
    expect(r.left).toEqual([{ step: 'a', why: 'no time left' }])
  })
  it('goes first to what presses, though something else lies nearer', () => {
    const p = small([step('near', 1), step('bad', 4, { urgency: 25 }), step('next', 2)])
    expect(routed(p).order[0]?.steps[0]).toBe('bad')
  })
  it('brings two people together at one time', () => {
    const p = small([step('lift', 3, { people: 2 }), step('b', 1), step('c', 6)], {
      walkers: [
        { id: 'a', from: 480, to: 960 },
        { id: 'b', from: 480, to: 960 },
      ],
    })
    const r = routed(p)
    expect(r.steps.find((v) => v.step === 'lift')?.walkers).toEqual(['a', 'b'])
    expect(broken(p, r)).toEqual([])
  })
  it('refuses a step that follows one that is not there', () =>
    expect(() => clockwork(small([step('a', 1, { after: { step: 'none', wait: 0 } })]))).toThrow(/^step a/))
})

describe('a step moved by hand', () => {
  it('stays where it was put, the rest is mended, and the cost is told', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.nat(9), fc.nat(9), (seed, which, position) => {
        const p = roundOf(seed, 10, 2)
        const before = planRoute(p, seeded(seed), 20)
        const id = p.steps[which]?.id ?? ''
        let after
        try {
          after = moveStep(p, before, { step: id, walker: 'w1', position })
        } catch (e) {
          expect(e).toBeInstanceOf(RangeError)
          return
        }
        expect(broken(p, after.route)).toEqual([])
        expect(after.route.order[1]?.steps).toContain(id)
        expect(after.by.total).toBeCloseTo(after.route.cost.total - before.cost.total, 6)
      }),
      { numRuns: 60 },
    ))
  it('to the front of the list goes to the front of the list', () => {
    const p = small([step('a', 1), step('b', 2), step('c', 3)])
    const after = moveStep(p, routed(p), { step: 'c', walker: 'a', position: 0 })
    expect(after.route.order[0]?.steps[0]).toBe('c')
    expect(after.by.total).toBeGreaterThanOrEqual(0)
  })
  it('is refused where it cannot stand at all', () => {
    const p = small([step('a', 1, { windows: [{ from: 100, to: 120 }] }), step('b', 2)])
    expect(() => moveStep(p, routed(p), { step: 'a', walker: 'a', position: 0 })).toThrow('cannot go there')
    expect(() => moveStep(p, routed(p), { step: 'b', walker: 'x', position: 0 })).toThrow('not on this round')
  })
})

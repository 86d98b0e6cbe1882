import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { seeded } from '../machine/index.ts'
import { clockwork, weights } from './clockwork.ts'
import { planRoute } from './plan-route.ts'
import { roundOf } from './round.test-help.ts'
import { between, earliestAt, latestStarts, leavesRoom } from './slack.ts'

/** A planned round without one step that takes one person, and nothing stands on. */
function without(seed: number) {
  const p = roundOf(seed, 14, 2)
  const route = planRoute(p, seeded(seed), 15)
  const index = new Map(p.steps.map((v, i) => [v.id, i]))
  const lists = route.order.map((o) => o.steps.flatMap((v) => index.get(v) ?? []))
  const i = p.steps.findIndex(
    (v, n) =>
      v.people === 1 && v.after === null && lists.flat().includes(n) && !p.steps.some((x) => x.after?.step === v.id),
  )
  const step = p.steps[i]
  if (!step) return null
  const bare = lists.map((list) => list.filter((x) => x !== i))
  return { p, i, step, bare, clock: clockwork(p) }
}
const seed = fc.integer({ min: 1, max: 1e6 })

describe('what a place in a list leaves', () => {
  it('refuses no place at which the step could be walked', () => {
    let refused = 0
    fc.assert(
      fc.property(seed, (s) => {
        const one = without(s)
        if (!one) return
        const { p, i, step, bare, clock } = one
        const room = {
          lists: bare,
          ends: Float64Array.from(clock.of(bare).end),
          latest: bare.map((list, k) => latestStarts(p, list, k)),
        }
        for (const [k, list] of bare.entries())
          for (let position = 0; position <= list.length; position++) {
            const begins = earliestAt(p, room, step, k, position)
            if (begins !== null && leavesRoom(p, room, step, k, position, begins)) continue
            refused++
            const tried = bare.map((x, n) => (n === k ? x.toSpliced(position, 0, i) : x))
            expect(clock.walked(tried)).toBe(Infinity)
          }
      }),
      { numRuns: 240 },
    )
    expect(refused).toBeGreaterThan(100)
  })
  it('costs at least its detour, but for the waiting and the heat it takes away', () =>
    fc.assert(
      fc.property(seed, (s) => {
        const one = without(s)
        if (!one) return
        const { p, i, step, bare, clock } = one
        const { cost } = clock.of(bare)
        const base = cost.total - weights.left * cost.left
        const gain = weights.waiting * cost.waiting + weights.hot * cost.hot
        const way = (a: number | undefined, b: number | undefined) =>
          p.travel[p.steps[a ?? -1]?.place ?? 0]?.[p.steps[b ?? -1]?.place ?? 0] ?? 0
        for (const [k, list] of bare.entries())
          for (let at = 0; at <= list.length; at++) {
            const [before, next] = [list[at - 1], list[at]]
            const detour = way(before, i) + way(i, next) - (list.length === 0 ? 0 : way(before, next))
            const walked = clock.walked(bare.map((x, n) => (n === k ? x.toSpliced(at, 0, i) : x)))
            expect(walked).toBeGreaterThanOrEqual(base + detour - gain - 1e-6)
          }
        expect(between(p, undefined, step)).toBeGreaterThanOrEqual(way(undefined, i))
      }),
      { numRuns: 120 },
    ))
  it('is read no further than it may cost', () =>
    fc.assert(
      fc.property(seed, fc.double({ min: 0.5, max: 1.5, noNaN: true }), (s, share) => {
        const one = without(s)
        if (!one) return
        const whole = one.clock.walked(one.bare)
        const most = whole * share
        expect(one.clock.walked(one.bare, most)).toBe(whole < most ? whole : Infinity)
      }),
      { numRuns: 120 },
    ))
})

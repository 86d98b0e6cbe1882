// How good and how quick the planner is: 60 visits, three people, against going to the nearest thing first, and against
// looking ten times as long.
const seconds = 1.5

export async function bench(say) {
  const { nearestFirst, searchRoute } = await import('../core/src/round/index.ts')
  const { seeded } = await import('../core/src/machine/index.ts')
  const { roundOf } = await import('../core/src/round/round.test-help.ts')
  const planned = (p, seed, ms) => {
    const t0 = performance.now()
    const over = () => (performance.now() - t0) / ms
    const search = searchRoute(p, seeded(seed), 100_000)
    while (over() < 1 && search.step(over()));
    return { plan: search.best(), ms: performance.now() - t0 }
  }
  const rows = [1, 2, 3, 4, 5].map((seed) => {
    const p = roundOf(seed, 60, 3)
    const { plan, ms } = planned(p, seed, seconds * 1000)
    const long = planned(p, seed, seconds * 10_000).plan
    const near = nearestFirst(p)
    return {
      ms,
      cost: plan.cost.total / near.cost.total,
      travel: plan.cost.travel / near.cost.travel,
      long: plan.cost.total / long.cost.total,
      left: [plan, long, near].map((x) => x.left.length),
    }
  })
  for (const r of rows)
    say(
      `60 visits, 3 people: left undone ${r.left[0]}, greedy ${r.left[2]}, ten times as long ${r.left[1]}`,
      `${r.ms.toFixed(0)} ms, cost ${r.cost.toFixed(2)}, travel ${r.travel.toFixed(2)} of greedy; ${r.long.toFixed(2)} of ten times as long`,
    )
  const mean = (of) => (rows.reduce((a, r) => a + of(r), 0) / rows.length).toFixed(2)
  say(
    'mean cost of the greedy order',
    mean((r) => r.cost),
  )
  say(
    'mean cost of ten times as long',
    mean((r) => r.long),
  )
}

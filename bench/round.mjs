// How good and how quick the planner is: 60 stops, three people, against going to the nearest thing first.
export async function bench(say) {
  const { nearestFirst, searchRoute } = await import('../core/src/round/index.ts')
  const { seeded } = await import('../core/src/machine/index.ts')
  const { roundOf } = await import('../core/src/round/round.test-help.ts')
  const rows = [1, 2, 3, 4, 5].map((seed) => {
    const p = roundOf(seed, 60, 3)
    const until = performance.now() + 1500
    const t0 = performance.now()
    const search = searchRoute(p, seeded(seed), 3000)
    while (performance.now() < until && search.step());
    const plan = search.best()
    const ms = performance.now() - t0
    const near = nearestFirst(p)
    return {
      ms,
      cost: plan.cost.total / near.cost.total,
      travel: plan.cost.travel / near.cost.travel,
      left: [plan.left.length, near.left.length],
    }
  })
  for (const r of rows)
    say(
      `60 stops, 3 people: left undone ${r.left[0]}, greedy ${r.left[1]}`,
      `${r.ms.toFixed(0)} ms, cost ${r.cost.toFixed(2)}, travel ${r.travel.toFixed(2)} of greedy`,
    )
  const mean = rows.reduce((a, r) => a + r.cost, 0) / rows.length
  say('mean cost of the greedy order', mean.toFixed(2))
}

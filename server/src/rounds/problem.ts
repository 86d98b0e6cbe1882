import { setImmediate as others } from 'node:timers/promises'
import { seeded } from '@motor-round/core/machine'
import { searchRoute, type Route, type RouteProblem } from '@motor-round/core/round'

/** How long the planner may look. A round of 60 visits and three people is good well before. */
const longestMs = 1500
/** How long it looks at a stretch: meanwhile nobody else is answered. */
const stretchMs = 15

/** Plan it, within its time, letting others be answered in between. The same round is planned the same as long as the time suffices. */
export async function findRoute(problem: RouteProblem): Promise<Route> {
  const began = performance.now()
  const over = () => (performance.now() - began) / longestMs
  const tries = Math.min(4000, Math.max(50, Math.round(60_000 / Math.max(1, problem.steps.length))))
  const search = searchRoute(problem, seeded(7), tries)
  for (let rest = performance.now() + stretchMs; search.step(over()) && over() < 1;)
    if (performance.now() > rest) {
      await others()
      rest = performance.now() + stretchMs
    }
  return search.best()
}

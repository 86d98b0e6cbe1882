import { seeded } from '@motor-round/core/machine'
import { searchRoute, type Route, type RouteProblem } from '@motor-round/core/round'

/** How long the planner may look. A round of 60 visits and three people is good well before. */
const longestMs = 1500

/** Plan it within its time, in a thread of its own. The same round is planned the same as long as the time suffices. */
export function findRoute(problem: RouteProblem): Route {
  const began = performance.now()
  const over = () => (performance.now() - began) / longestMs
  const tries = Math.min(4000, Math.max(50, Math.round(60_000 / Math.max(1, problem.steps.length))))
  const search = searchRoute(problem, seeded(7), tries)
  while (search.step(over()) && over() < 1);
  return search.best()
}

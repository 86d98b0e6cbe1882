export { clockOf, minuteOf, spanOf, spansText } from './clock.ts'
export { dueTasks, type DueTask } from './due.ts'
export type { DueFacts, Pause, TaskKind } from './task.ts'
export { longestPause } from './pauses.ts'
export { taskKinds } from './tasks/register.ts'
export { blankPlan, middleOf, walkIn, type AreaPlan, type Box, type Spot, type Way } from './ground.ts'
export { pace, travelMinutes, type TravelArea } from './travel.ts'
export {
  clockwork,
  planOf,
  whyLeft,
  type RouteCost,
  type RoutePlan,
  type RouteProblem,
  type RouteVisit,
  type TimedVisit,
  type Walker,
} from './schedule.ts'
export { nearestFirst, planRoute, searchRoute } from './plan-route.ts'
export { moveVisit, type Move, type Repaired } from './repair.ts'
export { nextRound, type Recurrence } from './recur.ts'
export { likelyParts, type KindLives, type LikelyPart } from './likely.ts'
export { minutesHere } from './durations.ts'
export { kitOf, kitTogether, type KitFacts, type KitItem } from './kit.ts'

export { dayMs, drift, thin, type Drift, type Fit, type Meets } from './drift.ts'
export { baselineAt, workItBelongsTo, type Baseline } from './baseline.ts'
export { hertzEffect } from './hertz-effect.ts'
export { leastSquares, type LeastSquares } from './least-squares.ts'
export { student95 } from './student.ts'
export { loadPoint, meanVolts, type LoadPoint } from './load-point.ts'
export { exactUpperTail, mannKendall, type MannKendall } from './mann-kendall.ts'
export { median, robustSpread } from './median.ts'
export { medianInPlace } from './select.ts'
export {
  alikeButHertz,
  comparable,
  comparableTo,
  likenessOf,
  hertzOf,
  unsaid,
  valueOf,
  valuesAt,
  type Answers,
  type GateId,
  type GatePass,
  type Visit,
  type VisitState,
  type WorkDone,
} from './visit.ts'
export { amongPeers, type Among } from './peers.ts'
export { seasonOf, type Season } from './season.ts'
export { stepChange, type StepChange } from './step-change.ts'
export { theilSen, type Line } from './theil-sen.ts'
export { AmpsWatch, watchAmps, type Change, type Expected, type Watched, type WatchPoint } from './watch.ts'
export { usualRange, type Usual } from './usual.ts'
export { breaksTrend, movesAmps, workKinds, workWords, type WorkKind, type WorkKindId } from './work-kinds.ts'

export { hubLimit, nextRung, rungs, type HubAdvice, type HubMoney, type Rung } from './hub.ts'
export { jobKindOf, jobKinds, type JobKind } from './kinds.ts'
export { hazardsOf, heldBy, planJob, stillOpen, toolsOf, type JobOn, type PlannedStep } from './plan.ts'
export { schedule, type Schedule, type Scheduled } from './schedule.ts'
export { hazards, restores, type Hazard, type Restore } from './step.ts'
export {
  decisions,
  jobStands,
  means,
  type Decision,
  type Job,
  type JobFact,
  type JobStands,
  type Means,
  type ReadAt,
  type StepStands,
  type Trigger,
} from './job.ts'
export type { Proof } from './proof.ts'
export { fired, type Fired } from './watch.ts'

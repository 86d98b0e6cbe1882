export { adverseOf } from './adverse.ts'
export {
  hubLimit,
  hubNext,
  nextRung,
  rungs,
  type HubAdvice,
  type HubMoney,
  type HubNext,
  type Rung,
  type Tried,
} from './hub.ts'
export { jobKindOf, jobKinds, type JobKind } from './kinds.ts'
export { notBack } from './not-back.ts'
export { hazardsOf, heldBy, planJob, toolsOf, type JobOn, type PlannedStep } from './plan.ts'
export { learnPace, type DoneJob, type Pace } from './pace.ts'
export { schedule, type Schedule, type Scheduled } from './schedule.ts'
export { hazards, type Hazard } from './step.ts'
export { asLeft, restores, stays, type Restore } from './taken-off.ts'
export {
  decisions,
  means,
  type Adverse,
  type Decision,
  type JobFact,
  type Means,
  type ReadAt,
  type Trigger,
} from './facts.ts'
export { jobStands, type Job, type JobStands, type StepStands } from './job.ts'
export {
  neverPermitted,
  ownPermit,
  permitOf,
  permitTerms,
  permitTimes,
  type Permit,
  type PermitTerms,
} from './permit.ts'
export { atRest, type Proof } from './proof.ts'
export { fired, type Fired } from './watch.ts'
export { optionCosts, optionKinds, type JobOption, type Offer, type OptionCost, type OptionKind } from './option.ts'
export { waitingCost, waitingFault, waitingRuleOf, waitingRules, type Waiting } from './waiting/register.ts'
export type { WaitingRule } from './waiting/rule.ts'
export { assumptionsOf, costWords, lastsWords, optionWords, waitingWords } from './quote-words.ts'
export { checkParts, type PartCheck } from './parts/check.ts'
export { partChecks } from './parts/checks.ts'
export { measuredWords, type Measured, type PartGrade, type PartPoint } from './parts/point.ts'
export { causeRecord, jobOutcome, type JobOutcome } from './outcome.ts'
export { jobWork, type WorkOfJob } from './job-work.ts'
export { burnLevel, burnLimits, gradeBurn, type BurnGrade, type BurnPart, type BurnTest } from './burn.ts'

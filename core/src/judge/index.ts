export { atOneHz } from './amps-at-one-hz.ts'
export { ampsHistory, type AmpsBaseline, type AmpsHistory } from './amps-history.ts'
export { rules } from './rules/register.ts'
export type { Completeness } from './completeness.ts'
export { barsPower } from './conditions/bars.ts'
export { keyOf, partsOf, type Closing, type Condition, type Reported } from './conditions/condition.ts'
export { retests, type RetestId } from './conditions/retests.ts'
export { workAnswers } from './conditions/work-answers.ts'
export { contextOf, type Context } from './context.ts'
export {
  findsOf,
  meaningful,
  meaningOf,
  trippedAgain,
  type OpenTrace,
  type Traced,
  type TracedResult,
} from './traced/index.ts'
export { unknownControls, type Controls } from './controls.ts'
export { dueAt, levelRead, machineDueAt } from './due.ts'
export { lineSideRead, type Gate, type GateStep } from './gates.ts'
export type { BurnTested, InstalledMotor, JudgeInput, MachineFacts, RunPermit, Twin, UnderWay } from './input.ts'
export {
  judge,
  judgeMachine,
  loadShare,
  speakingVisit,
  turnsAt,
  withPeers,
  type AskedRetest,
  type Judgement,
  type MachineSnapshot,
  type Rail,
} from './judgement.ts'
export { lostLineOf } from './lost-line.ts'
export { motorAt } from './machine-state.ts'
export { permitCheck, permitRead } from './permits.ts'
export { referenceVolts } from './past.ts'
export type { Failure } from './run-rule.ts'
export * from './checks/index.ts'
export { slipGuard, type Slip } from './slip-guard.ts'
export { subjects, type Subject } from './subject.ts'
export { judgedLevel, levels, rank, worse, type Level, type Overall, type Verdict } from './verdict.ts'
export { scaleOf } from './scale.ts'

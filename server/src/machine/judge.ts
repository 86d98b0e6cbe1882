import { judgeInput, judgeNow } from '@motor-round/contract'
import { judge, type Judgement } from '@motor-round/core/judge'
import type { Policies } from '@motor-round/core/limits'
import type { Visit } from '@motor-round/core/trend'
import type { MachineSnapshot } from './machine-snapshot.ts'

/** Judge one visit of a machine with all that is known. */
export const judgeVisit = (known: MachineSnapshot, visit: Visit, policies: Policies): Judgement =>
  judge(judgeInput({ ...known, policies }, visit))

/** A machine as it stands now, with everything that is open; null while nobody visited it. */
export const judgeStanding = (known: MachineSnapshot, policies: Policies): Judgement | null =>
  judgeNow({ ...known, policies })

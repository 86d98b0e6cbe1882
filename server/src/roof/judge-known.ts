import { judgeInput, judgeNow } from '@motor-round/contract'
import { judge, type Judgement } from '@motor-round/core/judge'
import type { HouseRules } from '@motor-round/core/limits'
import type { Stop } from '@motor-round/core/trend'
import type { Known } from './known.ts'

/** Judge one visit of a machine with all that is known. */
export const judgeStop = (known: Known, stop: Stop, rules: HouseRules): Judgement =>
  judge(judgeInput({ ...known, rules }, stop))

/** A machine as it stands now, with everything that is open; null while nobody visited it. */
export const judgeStanding = (known: Known, rules: HouseRules): Judgement | null => judgeNow({ ...known, rules })

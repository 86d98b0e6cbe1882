import { judgeInput, standing } from '@motor-round/contract'
import { judge, type Judgement } from '@motor-round/core/judge'
import type { HouseRules } from '@motor-round/core/limits'
import type { Stop } from '@motor-round/core/trend'
import type { Known } from './known.ts'

/** Judge one stop of a machine with all that is known. */
export const judgeStop = (known: Known, stop: Stop, rules: HouseRules): Judgement =>
  judge(judgeInput({ ...known, rules }, stop))

/** What speaks for a machine now, and what it says; null while nothing was read. */
export function judgeStanding(known: Known, rules: HouseRules): { stop: Stop; judgement: Judgement } | null {
  const stop = standing(known)
  return stop ? { stop, judgement: judgeStop(known, stop, rules) } : null
}

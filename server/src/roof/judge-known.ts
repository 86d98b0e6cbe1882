import { coreStop, judgeInput, type StopRecord } from '@motor-round/contract'
import { judge, type Judgement } from '@motor-round/core/judge'
import type { HouseRules } from '@motor-round/core/limits'
import type { Known } from './known.ts'

/** The stop that speaks for a machine: the newest that still holds and has readings. */
export const speakingStop = (known: Pick<Known, 'stops'>): StopRecord | undefined =>
  known.stops.find((s) => s.supersededBy === null && s.readings.length > 0)

/** Judge one stop of a machine with all that is known. */
export const judgeStop = (known: Known, stop: StopRecord, rules: HouseRules): Judgement =>
  judge(judgeInput({ ...known, rules }, coreStop(stop)))

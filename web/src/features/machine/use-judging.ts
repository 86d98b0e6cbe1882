import { coreStop, judgeInput, toHouseRules, type MachinePage } from '@motor-round/contract'
import type { JudgeInput } from '@motor-round/core/judge'
import type { Stop } from '@motor-round/core/trend'
import { useMemo } from 'react'
import { api } from '../../app/api.ts'

/** The judging of this machine, in the hand: a function from a stop to all that judging needs. */
export function useJudging(page: MachinePage | undefined): ((stop: Stop) => JudgeInput) | null {
  const rules = api.useRulesQuery({}).data?.rules
  return useMemo(() => {
    if (!page || !rules) return null
    const known = {
      machine: page.machine,
      motors: [...(page.motor ? [page.motor] : []), ...page.pastMotors],
      work: page.work,
      stops: page.stops,
      rules: toHouseRules(rules),
    }
    return (stop) => judgeInput(known, stop)
  }, [page, rules])
}

/** The stop that speaks for the machine: the newest that holds and has readings. */
export const speaking = (page: MachinePage): Stop | null => {
  const found = page.stops.find((s) => s.supersededBy === null && s.readings.length > 0)
  return found ? coreStop(found) : null
}

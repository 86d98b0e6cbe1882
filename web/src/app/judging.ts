import { judgeInput, standing, toHouseRules, type MachinePage } from '@motor-round/contract'
import type { JudgeInput } from '@motor-round/core/judge'
import type { Stop } from '@motor-round/core/trend'
import { useMemo } from 'react'
import { api } from './api.ts'

const motorsOf = (page: MachinePage) => [...(page.motor ? [page.motor] : []), ...page.pastMotors]

/** The judging of this machine, in the hand: a function from a stop to all that judging needs. */
export function useJudging(page: MachinePage | undefined): ((stop: Stop) => JudgeInput) | null {
  const rules = api.useRulesQuery({}).data?.rules
  return useMemo(() => {
    if (!page || !rules) return null
    const known = {
      machine: page.machine,
      motors: motorsOf(page),
      work: page.work,
      parts: page.parts,
      stops: page.stops,
      sisters: page.sisters,
      peers: page.peers,
      rules: toHouseRules(rules),
    }
    return (stop) => judgeInput(known, stop)
  }, [page, rules])
}

/** What speaks for the machine: its newest stop that holds, with what lasts of the earlier ones. */
export const speaking = (page: MachinePage): Stop | null =>
  standing({ stops: page.stops, work: page.work, parts: page.parts, motors: motorsOf(page) })

import { inputOf, snapshotOf, toHouseRules, type MachinePage } from '@motor-round/contract'
import {
  judgeMachine,
  speakingVisit,
  type JudgeInput,
  type Judgement,
  type MachineSnapshot,
} from '@motor-round/core/judge'
import type { Stop } from '@motor-round/core/trend'
import { useMemo } from 'react'
import { api } from './api.ts'

/** A machine's page as judging takes it. */
export const snapshotOfPage = (page: MachinePage, rules: Parameters<typeof toHouseRules>[0]): MachineSnapshot =>
  snapshotOf({
    machine: page.machine,
    motors: [...(page.motor ? [page.motor] : []), ...page.pastMotors],
    work: page.work,
    parts: page.parts,
    stops: page.stops,
    sisters: page.sisters,
    peers: page.peers,
    closings: page.closings,
    findings: page.findings,
    site: page.site,
    rules: toHouseRules(rules),
  })

/** The machine with all that judging needs, in the hand; null while page or limits are not there. */
export function useSnapshot(page: MachinePage | undefined): MachineSnapshot | null {
  const rules = api.useRulesQuery({}).data?.rules
  return useMemo(() => (page && rules ? snapshotOfPage(page, rules) : null), [page, rules])
}

/** The judging of this machine, in the hand: a function from a visit to all that judging needs. */
export function useJudging(page: MachinePage | undefined): ((stop: Stop) => JudgeInput) | null {
  const snapshot = useSnapshot(page)
  return useMemo(() => (snapshot ? (stop) => inputOf(snapshot, stop) : null), [snapshot])
}

/** The machine as it stands, and the visit whose figures stand for it. */
export function standingOf(snapshot: MachineSnapshot): { judgement: Judgement; stop: Stop } | null {
  const stop = speakingVisit(snapshot.visits)
  const judgement = judgeMachine(snapshot)
  return stop && judgement ? { judgement, stop } : null
}

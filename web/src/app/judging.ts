import { inputOf, snapshotOf, toPolicies, type MachinePage } from '@motor-round/contract'
import {
  judgeMachine,
  speakingVisit,
  type JudgeInput,
  type Judgement,
  type MachineSnapshot,
} from '@motor-round/core/judge'
import type { Visit } from '@motor-round/core/trend'
import { useMemo } from 'react'
import { api } from './api.ts'
import type { Failure } from './failure.ts'

/** A machine's page as judging takes it. */
export const snapshotOfPage = (page: MachinePage, policies: Parameters<typeof toPolicies>[0]): MachineSnapshot =>
  snapshotOf({
    machine: page.machine,
    motors: [...(page.motor ? [page.motor] : []), ...page.pastMotors],
    work: page.work,
    parts: page.parts,
    visits: page.visits,
    twins: page.twins,
    peers: page.peers,
    closings: page.closings,
    live: page.live,
    turnedAt: page.turnedAt,
    findings: page.findings,
    traces: page.traces,
    jobs: page.jobs,
    site: page.site,
    policies: toPolicies(policies),
  })

/**
 * The page of a machine, once the limits that it is judged by are there as well: shown without them, it would look like one on which
 * nothing was ever found.
 */
export function useJudgedPage(id: string): {
  readonly page: MachinePage | undefined
  readonly failure: Failure | undefined
} {
  const machine = api.useMachinePageQuery({ params: { id } })
  const policies = api.usePoliciesQuery({})
  const here = machine.currentData
  const failure = (here ? undefined : machine.error) ?? (policies.data ? undefined : policies.error)
  return { page: policies.data ? here : undefined, failure: failure as Failure | undefined }
}

/** The machine with all that judging needs, in the hand; null while page or limits are not there. */
export function useSnapshot(page: MachinePage | undefined): MachineSnapshot | null {
  const policies = api.usePoliciesQuery({}).data?.policies
  return useMemo(() => (page && policies ? snapshotOfPage(page, policies) : null), [page, policies])
}

/** The judging of this machine, in the hand: a function from a visit to all that judging needs. */
export function useJudging(page: MachinePage | undefined): ((visit: Visit) => JudgeInput) | null {
  const snapshot = useSnapshot(page)
  return useMemo(() => (snapshot ? (visit) => inputOf(snapshot, visit) : null), [snapshot])
}

/** The machine as it stands, and the visit whose figures stand for it; null where nobody has visited it. */
export function standingOf(snapshot: MachineSnapshot): { judgement: Judgement; visit: Visit | null } | null {
  const judgement = judgeMachine(snapshot)
  return judgement && { judgement, visit: speakingVisit(snapshot.visits) }
}

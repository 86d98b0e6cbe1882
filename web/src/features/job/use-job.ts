import {
  asJobFact,
  jobStepBody,
  readsOf,
  type JobRecord,
  type MachinePage,
  type Mutation,
  type MutationBodies,
} from '@motor-round/contract'
import {
  adverseOf,
  fired,
  jobStands,
  jobWork,
  permitOf,
  permitTerms,
  type Adverse,
  type Fired,
  type JobStands,
  type Permit,
  type PermitTerms,
} from '@motor-round/core/job'
import { permitCheck } from '@motor-round/core/judge'
import { defaultPolicies } from '@motor-round/core/limits'
import { useMemo, useState } from 'react'
import { useDispatch } from 'react-redux'
import { v5 as workId, v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { siteDay } from '../../app/dates.ts'
import { standingOf, useSnapshot } from '../../app/judging.ts'
import { useClock } from '../../app/now.ts'
import { tryEnqueue } from '../../offline/core/enqueue.ts'
import { usePace } from './use-pace.ts'

type Without<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never
/** What is said of a job, without what every step has. */
export type Said = Without<MutationBodies['job-step'], 'id' | 'jobId' | 'machineId' | 'at'>
export type Say = (said: Said) => Promise<boolean>

/** A job as it stands, by the machine’s page alone. */
export function standsOf(
  page: MachinePage,
  job: JobRecord,
  adverse: readonly Adverse[] = [],
  pace: ReadonlyMap<string, number> = new Map(),
): JobStands {
  const own = { at: Date.parse(job.at), kinds: job.kinds, skip: job.skip }
  const { hasVfd, phases } = page.machine
  return jobStands(own, job.steps.map(asJobFact), { hasVfd, phases, pace }, readsOf(page.visits), adverse)
}

/** Leave to run it with something wrong, where it was given. */
export const permitOn = (page: MachinePage, job: JobRecord, now: number): Permit | null =>
  permitOf(job.steps.map(asJobFact), readsOf(page.visits), siteDay(now, page.site.zone), page.site.zone)

/** A job that was postponed and is due again. */
export const firedOf = (page: MachinePage, stands: JobStands, now: number): Fired | null =>
  stands.closed ? null : fired(stands.decision, readsOf(page.visits), siteDay(now, page.site.zone))

/** A part that is not the right one is found until it is replaced: it comes back on its day. */
function substituteBy(job: JobRecord, raw: MutationBodies['job-step']): Mutation[] {
  if (raw.kind !== 'substitute') return []
  const { id, machineId, at, part, inPlace, until } = raw
  const text = `Substitute in: ${inPlace} in place of ${part}. Job: ${job.title}`.slice(0, 300)
  return [
    {
      kind: 'finding',
      body: { id: workId('substitute', id), machineId, at, level: 'watch', text, reviewOn: until },
    },
  ]
}

/** What the job has done to the machine with this step, where it was the last of the work and is not on record yet. */
function workBy(page: MachinePage, job: JobRecord, raw: MutationBodies['job-step']): Mutation[] {
  const step = jobStepBody.safeParse(raw).data
  if (!step) return []
  const after = standsOf(page, { ...job, steps: [...job.steps, { ...step, by: '' }] })
  const since = Date.parse(job.at)
  return jobWork(job.kinds, after).flatMap(({ kind, at }): Mutation[] => {
    const id = workId(kind, job.id)
    // A motor that was entered with its nameplate is on record by that.
    const entered = kind === 'motor-replaced' && Date.parse(page.motor?.installedAt ?? '') > since
    return entered || page.work.some((w) => w.id === id)
      ? []
      : [
          {
            kind: 'work',
            body: { id, machineId: job.machineId, doneAt: new Date(at).toISOString(), kind, note: `Job: ${job.title}` },
          },
        ]
  })
}

/** A job at work: where it stands, and a way to write down what happened on it. */
export function useJob(
  page: MachinePage,
  job: JobRecord,
): {
  stands: JobStands
  stops: readonly string[]
  /** Why it is not run, besides a permit that ran out; undefined where nothing is at Stop. */
  atStop: string | undefined
  /** On what a permit is given now. */
  terms: PermitTerms
  say: Say
  trouble: string | null
} {
  const me = api.useSessionQuery({}).data?.person?.id ?? ''
  const clock = useClock()
  const dispatch = useDispatch()
  const [trouble, setTrouble] = useState<string | null>(null)
  const snapshot = useSnapshot(page)
  const conditions = useMemo(() => (snapshot && standingOf(snapshot))?.judgement.conditions ?? [], [snapshot])
  const adverse = useMemo(() => adverseOf(conditions), [conditions])
  const stops = useMemo(() => conditions.filter((c) => c.level === 'stop').map((c) => c.verdict.because), [conditions])
  const atStop = conditions.find((c) => c.level === 'stop' && c.verdict.check !== permitCheck)?.verdict.because
  const factor = page.motor?.plate.sf ?? 1
  const policies = snapshot?.policies ?? defaultPolicies
  const terms = useMemo(() => permitTerms(conditions, factor, clock(), policies), [conditions, factor, clock, policies])
  const { pace } = usePace()
  const stands = useMemo(() => standsOf(page, job, adverse, pace), [page, job, adverse, pace])
  const say: Say = async (said) => {
    const body = { ...said, id: uuid(), jobId: job.id, machineId: job.machineId, at: new Date(clock()).toISOString() }
    const failed = await tryEnqueue(me, [
      { kind: 'job-step', body },
      ...workBy(page, job, body),
      ...substituteBy(job, body),
    ])
    setTrouble(failed)
    if (failed === null) dispatch(api.util.invalidateTags(['machine']))
    return failed === null
  }
  return { stands, stops, atStop, terms, say, trouble }
}

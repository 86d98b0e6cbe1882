import type { Quote } from '@motor-round/contract'
import { desc, eq } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { jobs, jobSteps } from '../db/rounds-schema.ts'
import { machines, organization, sites, units } from '../db/schema.ts'
import { notFound } from '../http/problem.ts'
import { judgeStanding } from '../machine/judge.ts'
import { loadSnapshots } from '../machine/snapshot.ts'
import { currentPolicies } from '../policies/current.ts'
import { asJobStep } from './load.ts'

/** Why a machine may not be left as it is. */
async function stopsAt(db: Db | Tx, machineId: string): Promise<string[]> {
  const [snapshot] = await loadSnapshots(db, [machineId])
  const judged = snapshot && judgeStanding(snapshot, await currentPolicies(db))
  return (judged?.conditions ?? []).filter((c) => c.level === 'stop').map((c) => c.verdict.because)
}

/** Where a job is: names for people. */
export async function placeOf(db: Db | Tx, jobId: string) {
  const [at] = await db
    .select({
      job: jobs,
      unitTag: units.tag,
      tag: machines.tag,
      siteName: sites.name,
      zone: sites.zone,
      paper: sites.paper,
      units: sites.units,
    })
    .from(jobs)
    .innerJoin(machines, eq(machines.id, jobs.machineId))
    .innerJoin(units, eq(units.id, machines.unitId))
    .innerJoin(sites, eq(sites.id, jobs.siteId))
    .where(eq(jobs.id, jobId))
  if (!at) throw notFound('job')
  const [own] = await db.select({ name: organization.name }).from(organization)
  return { ...at, organization: own?.name ?? '' }
}

/** The newest offer of a job, as the person who pays sees it. @throws HttpProblem 404 where nothing was offered */
export async function quoteOf(db: Db | Tx, jobId: string): Promise<Quote> {
  const at = await placeOf(db, jobId)
  const steps = await db
    .select()
    .from(jobSteps)
    .where(eq(jobSteps.jobId, jobId))
    .orderBy(desc(jobSteps.at), desc(jobSteps.id))
  const said = steps.map(asJobStep)
  const offered = said.find((s) => s.kind === 'offer')
  if (offered?.kind !== 'offer') throw notFound('quote')
  // What was decided before it was offered does not answer it.
  const decided = said.find(
    (s) =>
      s.kind === 'decision' &&
      (s.decision === 'approved' || s.decision === 'declined') &&
      (s.chosen?.offerId === offered.id || s.at > offered.at),
  )
  const { words, rate, downHour, options, waiting, validUntil } = offered
  return {
    organization: at.organization,
    siteName: at.siteName,
    unitTag: at.unitTag,
    tag: at.tag,
    title: at.job.title,
    offerId: offered.id,
    offer: { words, rate, downHour, options, waiting, validUntil },
    stands: await stopsAt(db, at.job.machineId),
    at: offered.at,
    by: offered.by,
    timeZone: at.zone,
    decided: decided?.kind === 'decision' ? { decision: decided.decision, who: decided.who, at: decided.at } : null,
  }
}

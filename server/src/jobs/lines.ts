import { asJobFact, readsOf, type JobLine } from '@motor-round/contract'
import { fired, jobStands, learnPace, permitOf, restores, type JobFact } from '@motor-round/core/job'
import { asc, eq, inArray } from 'drizzle-orm'
import { dayIn } from '../dates.ts'
import { jobs, jobSteps } from '../db/rounds-schema.ts'
import { machines, sites, units } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { loadSnapshots } from '../machine/snapshot.ts'
import { asJobStep } from './load.ts'

const monthMs = 30 * 86_400_000

/** A job as the facts leave it, without its readings: the list asks for no proof. */
export async function allJobs(deps: Deps) {
  const rows = await deps.db
    .select({
      job: jobs,
      unitTag: units.tag,
      tag: machines.tag,
      hasVfd: machines.hasVfd,
      phases: machines.phases,
      siteName: sites.name,
      zone: sites.zone,
      units: sites.units,
    })
    .from(jobs)
    .innerJoin(machines, eq(machines.id, jobs.machineId))
    .innerJoin(units, eq(units.id, machines.unitId))
    .innerJoin(sites, eq(sites.id, jobs.siteId))
  const ids = rows.map((r) => r.job.id)
  const facts = new Map<string, JobFact[]>()
  const steps =
    ids.length === 0
      ? []
      : await deps.db
          .select()
          .from(jobSteps)
          .where(inArray(jobSteps.jobId, ids))
          .orderBy(asc(jobSteps.at), asc(jobSteps.id))
  for (const s of steps) {
    const own = facts.get(s.jobId) ?? []
    own.push(asJobFact(asJobStep(s)))
    facts.set(s.jobId, own)
  }
  return rows.map((r) => ({
    ...r,
    facts: facts.get(r.job.id) ?? [],
    stands: jobStands(
      { at: r.job.at.getTime(), kinds: r.job.kinds, skip: r.job.skip },
      facts.get(r.job.id) ?? [],
      { hasVfd: r.hasVfd, phases: r.phases },
      [],
    ),
  }))
}

/** Visits of the machines whose postponed jobs watch something. */
export async function watchedVisits(deps: Deps, machineIds: readonly string[]) {
  const snapshots = machineIds.length === 0 ? [] : await loadSnapshots(deps.db, machineIds)
  return new Map(snapshots.map((s) => [s.machine.id, readsOf(s.visits)]))
}

function permitLine(...of: Parameters<typeof permitOf>): JobLine['permit'] {
  const p = permitOf(...of)
  return p && { until: p.until, expired: p.expired, readDue: p.readDue }
}

const rank = (j: JobLine) =>
  j.permit?.expired ? -1 : j.back || j.permit?.readDue ? 0 : j.open.length > 0 ? 1 : j.state === 'closed' ? 3 : 2

/** Jobs that are not closed, those that are due again first; and those that were closed of late. */
export async function jobLines(deps: Deps): Promise<JobLine[]> {
  const now = deps.now()
  const all = (await allJobs(deps)).filter(({ stands }) => !stands.closed || stands.closed.at > now.getTime() - monthMs)
  const waiting = all
    .filter((j) => j.stands.state === 'postponed' || j.facts.some((f) => f.kind === 'permit'))
    .map((j) => j.job.machineId)
  const visits = await watchedVisits(deps, [...new Set(waiting)])
  const lines = all.map(({ job, unitTag, tag, siteName, zone, units: system, facts, stands }): JobLine => ({
    id: job.id,
    machineId: job.machineId,
    unitTag,
    tag,
    siteName,
    units: system,
    title: job.title,
    at: job.at.toISOString(),
    state: stands.state,
    back:
      stands.state === 'postponed' ? fired(stands.decision, visits.get(job.machineId) ?? [], dayIn(now, zone)) : null,
    closedAt: stands.closed ? new Date(stands.closed.at).toISOString() : null,
    decidedAt: stands.decision ? new Date(stands.decision.at).toISOString() : null,
    permit: permitLine(facts, visits.get(job.machineId) ?? [], dayIn(now, zone), zone),
    done: stands.steps.filter((s) => s.state === 'done' || s.state === 'skipped').length,
    steps: stands.steps.length,
    misfits: stands.misfits.map((s) => s.title),
    open: stands.closed ? [] : stands.open.map((r) => restores[r]),
  }))
  return lines.sort((a, b) => rank(a) - rank(b) || (a.at < b.at ? 1 : -1))
}

/** What the jobs of the last two years teach of the minutes of steps. */
export async function paceOf(deps: Deps) {
  const since = deps.now().getTime() - 24 * monthMs
  const { factors, jobs } = learnPace(
    (await allJobs(deps))
      .filter((j) => j.job.at.getTime() > since)
      .map((j) => ({
        kinds: j.job.kinds,
        skip: j.job.skip,
        on: { hasVfd: j.hasVfd, phases: j.phases },
        facts: j.facts,
      })),
  )
  return { steps: [...factors].map(([step, factor]) => ({ step, factor })), jobs }
}

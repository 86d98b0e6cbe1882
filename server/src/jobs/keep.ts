import { asJobFact, readsOf, type jobBody, type JobStepBody } from '@motor-round/contract'
import {
  jobKindOf,
  jobStands,
  partChecks,
  ownPermit,
  permitTerms,
  permitTimes,
  planJob,
  restores,
  rungs,
  waitingFault,
  type Job,
  type JobFact,
  type JobOn,
} from '@motor-round/core/job'
import { eq, sql } from 'drizzle-orm'
import { v5 as uuid5 } from 'uuid'
import type { z } from 'zod'
import type { Tx } from '../db/client.ts'
import { findings, jobs, jobSteps } from '../db/rounds-schema.ts'
import { machines, people } from '../db/schema.ts'
import { keepFindingStep } from '../findings/keep.ts'
import { fieldProblem } from '../http/problem.ts'
import { heldPolicies } from '../policies/current.ts'
import { changeMachine, lockMachine, type Author, type Done } from '../machine/command.ts'
import { judgeStanding } from '../machine/judge.ts'
import { loadSnapshots } from '../machine/snapshot.ts'
import { adverseFor } from './adverse-for.ts'
import { asJobStep } from './load.ts'

const fresh = (kept: { readonly rowCount: number | null }): Done<null> => ({
  value: null,
  fresh: (kept.rowCount ?? 0) > 0,
})

/** Keep a job; the same id twice keeps one. */
export async function keepJob(tx: Tx, body: z.output<typeof jobBody>, author: Author): Promise<Done<null>> {
  body.kinds.forEach((k, i) => {
    if (!jobKindOf.has(k)) throw fieldProblem(`kinds.${i}`, `"${k}" is not a kind of job`)
    if (body.kinds.indexOf(k) !== i) throw fieldProblem(`kinds.${i}`, 'is there twice')
  })
  const machine = await lockMachine(tx, body.machineId)
  if (body.findingId !== null) {
    const [of] = await tx
      .select({ machineId: findings.machineId })
      .from(findings)
      .where(eq(findings.id, body.findingId))
    if (of?.machineId !== body.machineId) throw fieldProblem('findingId', 'no such finding of this machine')
  }
  const planned = planJob(body.kinds, await planOn(tx, body.machineId))
  body.skip.forEach((id, i) => {
    const step = planned.find((s) => s.id === id)
    if (!step) throw fieldProblem(`skip.${i}`, `"${id}" is not a step of this job`)
    if (step.must) throw fieldProblem(`skip.${i}`, 'this step is never skipped')
  })
  const row = { ...body, siteId: machine.siteId, at: new Date(body.at), by: author.by }
  return fresh(await tx.insert(jobs).values(row).onConflictDoNothing())
}

const ofStep = ['done', 'skipped', 'undone', 'check', 'rung', 'burn'] as const

/** A step names what the job has. Its order is held where it is ticked: what two phones bring in another order did happen. */
function refuseStep(body: JobStepBody, job: Job, facts: readonly JobFact[], on: JobOn): void {
  const step = ofStep.some((k) => k === body.kind) ? (body as Extract<JobStepBody, { step: string }>) : null
  if (!step) return
  const own = planJob(job.kinds, on, job.skip).find((s) => s.id === step.step)
  if (!own) throw fieldProblem('step', `"${step.step}" is not a step of this job`)
  if (step.kind === 'skipped' && own.must) throw fieldProblem('step', 'this step is never skipped')
  const points = partChecks[own.id]
  if (step.kind === 'done' && points) throw fieldProblem('step', 'enter what was measured of the new parts')
  if (step.kind === 'check')
    step.measured.forEach((m, i) => {
      if (!points?.some((p) => p.id === m.point))
        throw fieldProblem(`measured.${i}.point`, `"${m.point}" is not measured in this step`)
    })
  if (step.kind === 'done' && own.burn) throw fieldProblem('step', 'enter the combustion test')
  if (step.kind === 'burn' && !own.burn) throw fieldProblem('step', 'has no combustion test')
  if (step.kind === 'rung' && !(own.hub && rungs.some((r) => r.id === step.rung)))
    throw fieldProblem('rung', `"${step.rung}" is not a way to free a hub in this step`)
  if (step.kind === 'done' && own.count) refuseCount(step.count, own.count.same, facts)
}

/** What went into an open unit comes out of it. */
function refuseCount(count: number | null, same: string | undefined, facts: readonly JobFact[]): void {
  if (count === null) throw fieldProblem('count', 'enter how many tools and loose parts there are')
  const before = facts.findLast((f) => f.kind === 'done' && f.step === same)
  // What was counted may still be on another phone: where both are here they have to agree.
  if (before?.kind === 'done' && typeof before.count === 'number' && before.count !== count)
    throw fieldProblem('count', `${before.count} went in: find what is missing before it is closed`)
}

const planOn = async (tx: Tx, machineId: string): Promise<JobOn> => {
  const [m] = await tx
    .select({ hasVfd: machines.hasVfd, phases: machines.phases })
    .from(machines)
    .where(eq(machines.id, machineId))
  return { hasVfd: m?.hasVfd ?? false, ...(m ? { phases: m.phases } : {}) }
}

/**
 * Nothing is closed with a lock on or a guard off. Without a reason a job is closed on its proof alone: every step settled,
 * everything read again.
 */
async function refuseClosing(
  tx: Tx,
  job: Job,
  facts: readonly JobFact[],
  on: JobOn,
  body: Pick<JobStepBody, 'machineId'> & { readonly reason: string },
): Promise<void> {
  const { bars } = jobStands(job, facts, on, [])
  if (bars.length > 0)
    throw fieldProblem('jobId', `is not closed before this is back: ${bars.map((r) => restores[r]).join(', ')}`)
  if (body.reason.trim() !== '') return
  const [snapshot] = await loadSnapshots(tx, [body.machineId])
  const visits = readsOf(snapshot?.visits ?? [])
  const standing = snapshot && judgeStanding(snapshot, await heldPolicies(tx))
  const { missing } = jobStands(job, facts, on, visits, adverseFor(standing))
  const [first] = missing
  if (first !== undefined) throw fieldProblem('reason', `enter why it is closed without its proof. ${first}`)
}

/** A permit has its terms: what is at level Stop is never run on one. */
async function refusePermit(
  tx: Tx,
  body: Pick<JobStepBody, 'machineId' | 'at'> & { readonly until: string; readonly accepts: string },
  author: Author,
): Promise<void> {
  const [snapshot] = await loadSnapshots(tx, [body.machineId])
  const policies = await heldPolicies(tx)
  const standing = snapshot && judgeStanding(snapshot, policies)
  const given = Date.parse(body.at)
  const factor = snapshot?.motors.find((m) => m.removedAt === null)?.plate.sf ?? 1
  const { bar, days, overPlate } = permitTerms(standing?.conditions ?? [], factor, given, policies)
  const [person] =
    author.byId === null ? [] : await tx.select({ role: people.role }).from(people).where(eq(people.id, author.byId))
  if (ownPermit(body.accepts, author.by, person?.role === 'lead'))
    throw fieldProblem('accepts', 'nobody accepts their own permit: enter a lead, or the person the owner names')
  if (bar !== null) throw fieldProblem('wrong', `no permit is given for this: ${bar}`)
  if (Date.parse(body.until) - given > days * 86_400_000)
    throw fieldProblem('until', `at most ${days} days${overPlate ? ' over the nameplate' : ''}: enter an earlier date`)
}

/** Keep what happened on a job; the same id twice keeps one. It is closed on its proof, or with a reason. */
export async function keepJobStep(tx: Tx, body: JobStepBody, author: Author): Promise<Done<null>> {
  // Steps of one job follow each other. The job is a fact, whose row nobody may lock.
  await tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${body.jobId}, 13))`)
  const [of] = await tx.select().from(jobs).where(eq(jobs.id, body.jobId))
  if (!of) throw fieldProblem('jobId', 'no such job')
  if (of.machineId !== body.machineId) throw fieldProblem('machineId', 'is not the machine of that job')
  const { id, jobId, machineId, at, ...said } = body
  const kept = await tx.select().from(jobSteps).where(eq(jobSteps.jobId, jobId))
  if (kept.some((s) => s.id === id)) return { value: null, fresh: false }
  const job = { at: of.at.getTime(), kinds: of.kinds, skip: of.skip }
  const facts = kept.map((s) => asJobFact(asJobStep(s)))
  const on = await planOn(tx, machineId)
  refuseStep(body, job, facts, on)
  if (facts.some((f) => f.kind === 'closed')) throw fieldProblem('jobId', 'this job is closed')
  if (body.kind === 'permit' && facts.filter((f) => f.kind === 'permit').length >= permitTimes)
    throw fieldProblem('until', 'a permit is extended once: the work has to be done, or the machine stays off')
  if (body.kind === 'permit') await refusePermit(tx, body, author)
  if (body.kind === 'offer')
    body.waiting.forEach((w, i) => {
      const fault = waitingFault(w)
      if (fault) throw fieldProblem(`waiting.${i}.${fault.key}`, fault.message)
    })
  if (body.kind === 'decision' && body.chosen) {
    const { offerId, option } = body.chosen
    const of = facts.find((f) => f.id === offerId)
    // The offer may still be on another phone; what it names is looked up when it is shown.
    if (of?.kind === 'offer' && !of.options[option]) throw fieldProblem('chosen.option', 'is not one of the options')
  }
  if (body.kind === 'closed') await refuseClosing(tx, job, facts, on, body)
  const row = { id, jobId, machineId, at: new Date(at), said, by: author.by }
  return changeMachine(tx, machineId, author, async () => {
    const done = fresh(await tx.insert(jobSteps).values(row).onConflictDoNothing())
    // What it answered is answered, where that is proven; what was closed with a reason stays found.
    if (done.fresh && body.kind === 'closed' && body.reason.trim() === '' && of.findingId !== null)
      await keepFindingStep(
        tx,
        {
          id: uuid5(`closed by its job ${jobId}`, id),
          findingId: of.findingId,
          machineId,
          at,
          kind: 'closed',
          note: `Proven by the job: ${of.title}`,
          reviewOn: null,
        },
        author,
      )
    return done
  })
}

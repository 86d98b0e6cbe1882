import {
  corePart,
  coreVisit,
  type BodyOf,
  type endpoints,
  type Person,
  type VisitRecord,
  type WorkRecord,
} from '@motor-round/contract'
import { partAt } from '@motor-round/core/installed'
import type { Judgement } from '@motor-round/core/judge'
import type { Policies } from '@motor-round/core/limits'
import { eq, sql } from 'drizzle-orm'
import { record } from '../audit/record.ts'
import type { Tx } from '../db/client.ts'
import { machineStates, readings, visits, supersessions, work } from '../db/schema.ts'
import { fieldProblem, HttpProblem, notFound } from '../http/problem.ts'
import { peersOf } from '../register/peers.ts'
import { lockMachine } from '../register/machines.ts'
import { judgeVisit } from '../machine-list/judge-known.ts'
import { asWork, loadKnown, loadVisit, type Known } from '../machine-list/known.ts'
import { refresh } from '../machine-list/refresh.ts'
import { currentPolicies } from '../policies/current.ts'

/** Two sends of one id wait for each other: the second finds what the first kept. */
export const lockId = (tx: Tx, id: string) => tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${id}, 7))`)

const dayMs = 86_400_000

/** Turns that the sheave in place has not, or of no adjustable sheave, are refused at their field. */
async function refuseTurns(tx: Tx, machineId: string, at: Date, after: number): Promise<void> {
  const [known] = await loadKnown(tx, [machineId])
  const sheave = partAt((known?.parts ?? []).map(corePart), 'motor-sheave', at.getTime())
  if (sheave?.type !== 'adjustable') throw fieldProblem('turns.after', 'no adjustable sheave was on this motor then')
  if (after > sheave.most) throw fieldProblem('turns.after', `this sheave opens at most ${sheave.most} turns at most`)
}

/** A visit as it is kept, how it is judged, and who else was at the machine about then. */
export interface KeptVisit {
  readonly visit: VisitRecord
  readonly judgement: Judgement | null
  readonly already: boolean
  readonly others: { visitId: string; by: string; takenAt: string }[]
}

/** What is said of a visit that is on record. */
export async function judgedVisit(
  tx: Tx,
  known: Known,
  visitId: string,
  policies: Policies,
): Promise<Pick<KeptVisit, 'visit' | 'judgement' | 'others'>> {
  const visit = known.visits.find((s) => s.id === visitId) ?? (await loadVisit(tx, visitId))
  if (!visit) throw notFound('visit')
  const among = { ...known, peers: await peersOf(tx, known) }
  const at = Date.parse(visit.takenAt)
  return {
    visit,
    judgement: judgeVisit(among, coreVisit(visit), policies),
    others: known.visits
      .filter((s) => s.source === 'walk' && s.by !== visit.by && Math.abs(Date.parse(s.takenAt) - at) < dayMs)
      .map((s) => ({ visitId: s.id, by: s.by, takenAt: s.takenAt })),
  }
}

async function told(tx: Tx, machineId: string, visitId: string, already: boolean): Promise<KeptVisit> {
  const [known] = await loadKnown(tx, [machineId])
  if (!known) throw notFound('visit')
  return { ...(await judgedVisit(tx, known, visitId, await currentPolicies(tx))), already }
}

/** Keep a visit with its readings and judge its machine anew; the same id twice keeps one. */
export async function keepVisit(
  tx: Tx,
  body: BodyOf<typeof endpoints.saveVisit>,
  person: Person,
  now: Date,
): Promise<KeptVisit> {
  const already = await writeVisit(tx, body, person, now)
  if (!already) await refresh(tx, [body.machineId])
  return told(tx, body.machineId, body.id, already)
}

/**
 * Keep a visit whose machine is judged later, once for a whole batch: until then its state is marked as stale, in the same
 * transaction, so that no crash leaves it as it was before.
 * @returns whether it was kept before
 */
export async function keepVisitUnjudged(
  tx: Tx,
  body: BodyOf<typeof endpoints.saveVisit>,
  person: Person,
  now: Date,
): Promise<boolean> {
  const already = await writeVisit(tx, body, person, now)
  if (!already) await tx.update(machineStates).set({ stale: true }).where(eq(machineStates.machineId, body.machineId))
  return already
}

/** Write a visit with its readings. @returns whether it was kept before */
async function writeVisit(
  tx: Tx,
  body: BodyOf<typeof endpoints.saveVisit>,
  person: Person,
  now: Date,
): Promise<boolean> {
  await lockId(tx, body.id)
  const [again] = await tx.select({ machineId: visits.machineId }).from(visits).where(eq(visits.id, body.id))
  if (again) {
    if (again.machineId !== body.machineId) throw fieldProblem('id', 'that id belongs to another machine', 409)
    return true
  }
  const takenAt = new Date(body.takenAt)
  if (takenAt.getTime() > now.getTime() + dayMs) throw fieldProblem('takenAt', 'is in the future; check the clock')
  const machine = await lockMachine(tx, body.machineId)
  if (body.supersedes !== null) {
    const [old] = await tx.select().from(visits).where(eq(visits.id, body.supersedes))
    if (!old || old.machineId !== machine.id) throw fieldProblem('supersedes', 'no such visit of this machine')
    const [replaced] = await tx.select().from(supersessions).where(eq(supersessions.oldVisitId, old.id))
    if (replaced) throw new HttpProblem(409, 'That visit has already been corrected; correct the newer one.')
  }
  await tx.insert(visits).values({
    id: body.id,
    siteId: machine.siteId,
    machineId: machine.id,
    takenAt,
    recordedAt: now,
    by: person.name,
    byId: person.id,
    state: body.state,
    answers: body.answers,
    passes: body.passes,
    note: body.note,
    supersedes: body.supersedes,
    reason: body.reason,
    source: 'walk',
  })
  if (body.readings.length > 0)
    await tx.insert(readings).values(
      body.readings.map((r) => ({
        siteId: machine.siteId,
        machineId: machine.id,
        takenAt,
        visitId: body.id,
        ...r,
      })),
    )
  if (body.supersedes !== null) {
    await tx.insert(supersessions).values({ oldVisitId: body.supersedes, newVisitId: body.id, machineId: machine.id })
    await record(tx, {
      by: person.name,
      at: now,
      what: 'visit corrected',
      entity: 'visit',
      entityId: machine.id,
      why: body.reason,
      before: { visit: body.supersedes },
      after: { visit: body.id },
    })
  }
  return false
}

/** Keep a piece of work; the same id twice keeps one. */
export async function keepWork(
  tx: Tx,
  body: BodyOf<typeof endpoints.saveWork>,
  person: Person,
  now: Date,
): Promise<{ work: WorkRecord; already: boolean }> {
  await lockId(tx, body.id)
  const [again] = await tx.select().from(work).where(eq(work.id, body.id))
  if (again) return { work: asWork(again), already: true }
  const doneAt = new Date(body.doneAt)
  if (doneAt.getTime() > now.getTime() + dayMs) throw fieldProblem('doneAt', 'is in the future')
  const machine = await lockMachine(tx, body.machineId)
  if (body.turns) await refuseTurns(tx, machine.id, doneAt, body.turns.after)
  const [row] = await tx
    .insert(work)
    .values({ ...body, doneAt, siteId: machine.siteId, by: person.name, recordedAt: now })
    .returning()
  if (!row) throw notFound('work')
  await refresh(tx, [machine.id])
  return { work: asWork(row), already: false }
}

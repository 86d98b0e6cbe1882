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
import type { Tx } from '../db/client.ts'
import { readings, visits, supersessions, work } from '../db/schema.ts'
import { fieldProblem, HttpProblem, notFound } from '../http/problem.ts'
import { peersOf } from '../register/peers.ts'
import { judgeVisit } from '../machine/judge.ts'
import { asWork, loadSnapshots, loadVisit, type MachineSnapshot } from '../machine/snapshot.ts'
import { changeMachine, type Author, type Done } from '../machine/command.ts'
import { currentPolicies } from '../policies/current.ts'

/** Two sends of one id wait for each other: the second finds what the first kept. */
export const lockId = (tx: Tx, id: string) => tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${id}, 7))`)

const dayMs = 86_400_000

/** Turns that the sheave in place has not, or of no adjustable sheave, are refused at their field. */
async function refuseTurns(tx: Tx, machineId: string, at: Date, after: number): Promise<void> {
  const [known] = await loadSnapshots(tx, [machineId])
  const sheave = partAt((known?.parts ?? []).map(corePart), 'motor-sheave', at.getTime())
  if (sheave?.type !== 'adjustable') throw fieldProblem('turns.after', 'no adjustable sheave was on this motor then')
  if (after > sheave.most) throw fieldProblem('turns.after', `this sheave opens at most ${sheave.most} turns`)
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
  known: MachineSnapshot,
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
  const [known] = await loadSnapshots(tx, [machineId])
  if (!known) throw notFound('visit')
  return { ...(await judgedVisit(tx, known, visitId, await currentPolicies(tx))), already }
}

type VisitBody = BodyOf<typeof endpoints.saveVisit>

/** Keep a visit with its readings and judge its machine anew; the same id twice keeps one. */
export async function keepVisit(tx: Tx, body: VisitBody, person: Person, now: Date): Promise<KeptVisit> {
  const fresh = await writeVisit(tx, body, person, now, 'now')
  return told(tx, body.machineId, body.id, !fresh)
}

/**
 * Keep a visit whose machine is judged later, once for a whole batch.
 * @returns false when it was kept before
 */
export const keepVisitUnjudged = (tx: Tx, body: VisitBody, person: Person, now: Date): Promise<boolean> =>
  writeVisit(tx, body, person, now, 'later')

/** The visit that this one corrects is of the same machine and was not corrected yet. */
async function refuseCorrection(tx: Tx, supersedes: string, machineId: string): Promise<void> {
  const [old] = await tx.select().from(visits).where(eq(visits.id, supersedes))
  if (!old || old.machineId !== machineId) throw fieldProblem('supersedes', 'no such visit of this machine')
  const [replaced] = await tx.select().from(supersessions).where(eq(supersessions.oldVisitId, old.id))
  if (replaced) throw new HttpProblem(409, 'That visit has already been corrected; correct the newer one.')
}

/** Write a visit with its readings. @returns false when it was kept before */
async function writeVisit(
  tx: Tx,
  body: VisitBody,
  person: Person,
  now: Date,
  judged: 'now' | 'later',
): Promise<boolean> {
  await lockId(tx, body.id)
  const [again] = await tx.select({ machineId: visits.machineId }).from(visits).where(eq(visits.id, body.id))
  if (again) {
    if (again.machineId !== body.machineId) throw fieldProblem('id', 'that id belongs to another machine', 409)
    return false
  }
  const takenAt = new Date(body.takenAt)
  if (takenAt.getTime() > now.getTime() + dayMs) throw fieldProblem('takenAt', 'is in the future; check the clock')
  const { supersedes } = body
  const { fresh } = await changeMachine(
    tx,
    body.machineId,
    { by: person.name, now },
    async (machine) => {
      if (supersedes !== null) await refuseCorrection(tx, supersedes, machine.id)
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
        supersedes,
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
      if (supersedes === null) return { value: null, fresh: true }
      await tx.insert(supersessions).values({ oldVisitId: supersedes, newVisitId: body.id, machineId: machine.id })
      return {
        value: null,
        fresh: true,
        audit: {
          what: 'visit corrected',
          entity: 'visit',
          entityId: machine.id,
          why: body.reason,
          before: { visit: supersedes },
          after: { visit: body.id },
        },
      }
    },
    judged,
  )
  return fresh
}

/** Keep a piece of work; the same id twice keeps one. */
export async function keepWork(
  tx: Tx,
  body: BodyOf<typeof endpoints.saveWork>,
  author: Author,
): Promise<Done<WorkRecord>> {
  await lockId(tx, body.id)
  const [again] = await tx.select().from(work).where(eq(work.id, body.id))
  if (again) return { value: asWork(again), fresh: false }
  const doneAt = new Date(body.doneAt)
  if (doneAt.getTime() > author.now.getTime() + dayMs) throw fieldProblem('doneAt', 'is in the future')
  return changeMachine(tx, body.machineId, author, async (machine) => {
    if (body.turns) await refuseTurns(tx, machine.id, doneAt, body.turns.after)
    const [row] = await tx
      .insert(work)
      .values({ ...body, doneAt, siteId: machine.siteId, by: author.by, recordedAt: author.now })
      .returning()
    if (!row) throw notFound('work')
    return { value: asWork(row), fresh: true }
  })
}

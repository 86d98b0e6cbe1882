import {
  corePart,
  coreVisit,
  type BodyOf,
  type endpoints,
  type Machine,
  type Person,
  type VisitRecord,
  type WorkRecord,
} from '@motor-round/contract'
import { partAt } from '@motor-round/core/installed'
import type { Judgement } from '@motor-round/core/judge'
import type { Policies } from '@motor-round/core/limits'
import { show } from '@motor-round/core/quantity'
import type { GatePass } from '@motor-round/core/trend'
import { eq, sql } from 'drizzle-orm'
import { inTurn, sent, type Tx } from '../db/client.ts'
import { prepared, preparedSql } from '../db/prepared.ts'
import { readings, visits, supersessions, work } from '../db/schema.ts'
import { refuseFuture } from '../http/in-time.ts'
import { fieldProblem, HttpProblem, notFound } from '../http/problem.ts'
import { besideVisit } from '../live/pass.ts'
import { peersOf } from '../register/peers.ts'
import { judgeVisit } from '../machine/judge.ts'
import type { MachineSnapshot } from '../machine/machine-snapshot.ts'
import { asWork, loadSnapshots, loadVisit } from '../machine/snapshot.ts'
import { changeLocked, changeMachine, lockMachine, type Author, type Done, authorOf } from '../machine/command.ts'
import { currentPolicies } from '../policies/current.ts'

/** Two sends of one id wait for each other: the second finds what the first kept. */
export const lockId = (tx: Tx, id: string) =>
  preparedSql(
    tx,
    'lock_id',
    () => sql`select pg_advisory_xact_lock(hashtextextended(${sql.placeholder('id')}, 7))`,
  ).execute({ id })

const dayMs = 86_400_000

/** Turns that the sheave in place has not, or of no adjustable sheave, are refused at their field. */
async function refuseTurns(tx: Tx, machineId: string, at: Date, after: number): Promise<void> {
  const [known] = await loadSnapshots(tx, [machineId])
  const sheave = partAt((known?.parts ?? []).map(corePart), 'motor-sheave', at.getTime())
  if (sheave?.type !== 'adjustable') throw fieldProblem('turns.after', 'no adjustable sheave was on this motor then')
  if (after > sheave.most)
    throw fieldProblem('turns.after', `this sheave opens at most ${show.count(sheave.most, 'turn')}`)
}

/** A visit as it is kept, how it is judged, and who else was at the machine about then. */
export interface KeptVisit {
  readonly visit: VisitRecord
  readonly judgement: Judgement | null
  readonly already: boolean
  readonly others: { visitId: string; by: string; takenAt: string }[]
}

/** A visit of a machine, also where its long past leaves it out of the snapshot. */
const visitOf = async (tx: Tx, known: MachineSnapshot, visitId: string): Promise<VisitRecord> => {
  const visit = known.visits.find((s) => s.id === visitId) ?? (await loadVisit(tx, visitId))
  if (!visit) throw notFound('visit')
  return visit
}

/** Who else was at the machine about then. */
const othersThen = (known: MachineSnapshot, visit: VisitRecord): KeptVisit['others'] =>
  known.visits
    .filter((s) => s.source === 'walk' && s.by !== visit.by)
    .filter((s) => Math.abs(Date.parse(s.takenAt) - Date.parse(visit.takenAt)) < dayMs)
    .map((s) => ({ visitId: s.id, by: s.by, takenAt: s.takenAt }))

/**
 * What a phone is told of a visit that it synced.
 * @param judged whether it is judged: of several visits to one machine only the newest is, which takes in the others
 */
export async function syncedVisit(
  tx: Tx,
  known: MachineSnapshot,
  visitId: string,
  policies: Policies,
  judged: boolean,
): Promise<{ readonly judged: Pick<Judgement, 'level' | 'headline'> | null; readonly others: KeptVisit['others'] }> {
  const visit = await visitOf(tx, known, visitId)
  const others = othersThen(known, visit)
  if (!judged) return { judged: null, others }
  // Its peers are left out: they raise no level.
  const { level, headline } = judgeVisit(known, coreVisit(visit), policies)
  return { judged: { level, headline }, others }
}

async function told(tx: Tx, known: MachineSnapshot, visitId: string, already: boolean): Promise<KeptVisit> {
  const visit = await visitOf(tx, known, visitId)
  const [peers, policies] = await inTurn([peersOf(tx, known), currentPolicies(tx)])
  const judgement = judgeVisit({ ...known, peers }, coreVisit(visit), policies)
  return { visit, judgement, already, others: othersThen(known, visit) }
}

type VisitBody = BodyOf<typeof endpoints.saveVisit>
type Site = Pick<Machine, 'id' | 'siteId'>

/** Keep a visit with its readings and judge its machine anew; the same id twice keeps one. */
export async function keepVisit(tx: Tx, body: VisitBody, person: Person, now: Date): Promise<KeptVisit> {
  const { fresh, known } = await writeVisit(tx, body, person, now, 'now')
  const machine = known ?? (await loadSnapshots(tx, [body.machineId]))[0]
  if (!machine) throw notFound('visit')
  return told(tx, machine, body.id, !fresh)
}

/**
 * Keep a visit whose machine is judged later, once for a whole batch.
 * @returns false when it was kept before
 */
export const keepVisitUnjudged = async (tx: Tx, body: VisitBody, person: Person, now: Date): Promise<boolean> =>
  (await writeVisit(tx, body, person, now, 'later')).fresh

/**
 * The visit that this one corrects: of the same machine, and not corrected yet.
 * @returns who went past its gates
 */
async function corrected(tx: Tx, supersedes: string, machineId: string): Promise<readonly GatePass[]> {
  const [old] = await tx.select().from(visits).where(eq(visits.id, supersedes))
  if (!old || old.machineId !== machineId) throw fieldProblem('supersedes', 'no such visit of this machine')
  const [replaced] = await tx.select().from(supersessions).where(eq(supersessions.oldVisitId, old.id))
  if (replaced) throw new HttpProblem(409, 'That visit has already been corrected; correct the newer one.')
  return old.passes
}

/** Prepared, since an id is looked for in every year: planning that takes ten times as long as doing it. */
const visitById = (tx: Tx) =>
  prepared(tx, 'visit_by_id', () =>
    tx
      .select({ machineId: visits.machineId })
      .from(visits)
      .where(eq(visits.id, sql.placeholder('id')))
      .prepare('visit_by_id'),
  )

const insertVisit = (tx: Tx) =>
  preparedSql(tx, 'insert_visit', () => {
    const v = sql.placeholder
    return sql`
    with visit as (
      insert into ${visits} (
        id, site_id, machine_id, taken_at, recorded_at, by, by_id, state, answers, passes, note, supersedes, reason, source
      ) values (
        ${v('id')}::uuid, ${v('siteId')}::uuid, ${v('machineId')}::uuid, ${v('takenAt')}::timestamptz,
        ${v('recordedAt')}::timestamptz, ${v('by')}, ${v('byId')}::uuid, ${v('state')}::jsonb, ${v('answers')}::jsonb,
        ${v('passes')}::jsonb, ${v('note')}, ${v('supersedes')}::uuid, ${v('reason')}, 'walk'
      )
    )
    insert into ${readings} (site_id, machine_id, taken_at, visit_id, quantity, position, value, how, spread)
    select ${v('siteId')}::uuid, ${v('machineId')}::uuid, ${v('takenAt')}::timestamptz, ${v('id')}::uuid, r.*
    from unnest(
      ${v('quantities')}::text[], ${v('positions')}::text[], ${v('values')}::float8[], ${v('hows')}::text[],
      ${v('spreads')}::float8[]
    ) as r`
  })

/**
 * A visit and its readings in one statement, the readings as five lists: put together row by row it takes longer than the database
 * does.
 */
async function writeRows(
  tx: Tx,
  machine: Site,
  body: VisitBody,
  passes: readonly GatePass[],
  person: Person,
  now: Date,
): Promise<void> {
  const column = (pick: (r: VisitBody['readings'][number]) => string | number | null) => body.readings.map(pick)
  await insertVisit(tx).execute({
    id: body.id,
    siteId: machine.siteId,
    machineId: machine.id,
    takenAt: new Date(body.takenAt),
    recordedAt: now,
    by: person.name,
    byId: person.id,
    state: JSON.stringify(body.state),
    answers: JSON.stringify(body.answers),
    passes: JSON.stringify(passes),
    note: body.note,
    supersedes: body.supersedes,
    reason: body.reason,
    quantities: column((r) => r.quantity),
    positions: column((r) => r.position),
    values: column((r) => r.value),
    hows: column((r) => r.how ?? null),
    spreads: column((r) => r.spread ?? null),
  })
}

/** Write a visit with its readings. @returns not fresh when it was kept before */
async function writeVisit(
  tx: Tx,
  body: VisitBody,
  person: Person,
  now: Date,
  judged: 'now' | 'later',
): Promise<Done<null>> {
  // The second send of an id waits at its lock, and what it looks for after that is there.
  const [, [again], machine] = await inTurn([
    sent(lockId(tx, body.id)),
    sent(visitById(tx).execute({ id: body.id })),
    sent(lockMachine(tx, body.machineId)),
  ])
  if (again) {
    if (again.machineId !== body.machineId) throw fieldProblem('id', 'that id belongs to another machine', 409)
    return { value: null, fresh: false }
  }
  const takenAt = new Date(body.takenAt)
  refuseFuture('takenAt', takenAt, now)
  const { supersedes } = body
  return changeLocked(
    tx,
    machine.id,
    authorOf(person, now),
    async () => {
      const earlier = supersedes === null ? [] : await corrected(tx, supersedes, machine.id)
      // Who went past a gate is who is signed in, whatever is sent; a correction leaves what was passed before to who passed it.
      const passes = body.passes.map(
        (p) => earlier.find((e) => e.gate === p.gate && e.reason === p.reason) ?? { ...p, by: person.name },
      )
      const amps = body.readings.some((r) => r.quantity === 'amps')
      await inTurn([
        writeRows(tx, machine, body, passes, person, now),
        amps ? besideVisit(tx, machine.id, takenAt, now) : null,
      ])
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
  refuseFuture('doneAt', doneAt, author.now)
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

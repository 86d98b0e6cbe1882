import {
  corePart,
  speedChangeDone,
  workOf,
  type speedChangeBody,
  type speedChangeDoneOffline,
} from '@motor-round/contract'
import { sheavesAt } from '@motor-round/core/installed'
import { eq, sql } from 'drizzle-orm'
import type { z } from 'zod'
import { record } from '../audit/record.ts'
import type { Tx } from '../db/client.ts'
import { machines, speedChanges, work } from '../db/schema.ts'
import { refuseFuture } from '../http/in-time.ts'
import { fieldProblem, HttpProblem, notFound } from '../http/problem.ts'
import { installInSlot } from '../register/slot.ts'
import type { MachineSnapshot } from '../machine/machine-snapshot.ts'
import { loadSnapshots } from '../machine/snapshot.ts'
import { changeMachine, type Author, type Done } from '../machine/command.ts'
import { lockSpeedChange, lockSpeedChangeId } from './speed-changes.ts'

type Row = typeof speedChanges.$inferSelect

/** A speed change with all that is known of its machine. */
export interface Planned {
  readonly row: Row
  readonly known: MachineSnapshot
}

/** A machine with all that is known of it, or 404. */
export async function snapshotOf(tx: Tx, id: string): Promise<MachineSnapshot> {
  const [known] = await loadSnapshots(tx, [id])
  if (!known) throw notFound('machine')
  return known
}

/**
 * Keep a speed change that is to be done; the same id twice keeps one.
 * @throws a problem at the field that the machine, as it is on record, has nothing for
 */
export async function keepSpeedChange(
  tx: Tx,
  body: z.output<typeof speedChangeBody>,
  author: Author,
): Promise<Done<Planned>> {
  await lockSpeedChangeId(tx, body.id)
  return changeMachine(tx, body.machineId, author, async (machine) => {
    const [again] = await tx.select().from(speedChanges).where(eq(speedChanges.id, body.id))
    const known = await snapshotOf(tx, machine.id)
    if (again) {
      if (again.machineId !== machine.id) throw fieldProblem('id', 'that id belongs to another machine', 409)
      return { value: { row: again, known }, fresh: false }
    }
    const { change } = body
    const sheaves = sheavesAt(known.parts.map(corePart), workOf(known), author.now.getTime())
    if (change.kind === 'turns' && sheaves.turns === null)
      throw fieldProblem('change.turns', 'this machine has no adjustable sheave')
    if (change.kind === 'hertz' && !machine.hasVfd) throw fieldProblem('change.hz', 'this machine has no drive')
    if (change.kind !== 'turns' && change.kind !== 'hertz' && (sheaves.driver === null || sheaves.driven === null))
      throw fieldProblem('change.pitch', 'its sheaves are not entered')
    const [row] = await tx
      .insert(speedChanges)
      .values({ ...body, madeAt: new Date(body.madeAt), siteId: machine.siteId, by: author.by })
      .returning()
    if (!row) throw notFound('speed-change')
    return { value: { row, known }, fresh: true }
  })
}

/** Record what doing it comes to: work, parts installed, where the motor stands. */
async function carryOut(tx: Tx, known: MachineSnapshot, speedChange: Row, how: Doing, author: Author): Promise<void> {
  const { machine } = known
  const { by, byId, now } = author
  let done
  try {
    done = speedChangeDone(known, speedChange, how)
  } catch (e) {
    if (e instanceof RangeError) throw new HttpProblem(409, e.message)
    throw e
  }
  const doneAt = new Date(how.doneAt)
  if (done.work)
    await tx
      .insert(work)
      .values({ ...done.work, machineId: machine.id, siteId: machine.siteId, doneAt, by, recordedAt: now })
  for (const { removedFor, removedWhy, part, ...fit } of done.fits)
    await installInSlot(
      tx,
      machine,
      { ...fit, ...part, installedAt: doneAt, substitute: false },
      { removedFor, removedWhy },
      author,
    )
  if (done.center === null) return
  await tx
    .update(machines)
    .set({
      layout: sql`${machines.layout} || jsonb_build_object('center', ${done.center}::float8)`,
      version: sql`${machines.version} + 1`,
    })
    .where(eq(machines.id, machine.id))
  await record(tx, {
    by,
    byId,
    at: now,
    what: 'machine changed: planned speed change done',
    entity: 'machine',
    entityId: machine.id,
    before: { center: machine.layout.center },
    after: { center: done.center },
  })
}

type Doing = Pick<z.output<typeof speedChangeDoneOffline>, 'id' | 'beltsId' | 'doneAt' | 'note'>

/**
 * A speed change was done; sent twice it is done once.
 * @throws a problem: no such speed change, it was canceled, made after that, or what it changes is not there any more
 */
export async function keepSpeedChangeDone(
  tx: Tx,
  speedChangeId: string,
  how: Doing,
  author: Author,
): Promise<Done<Planned>> {
  const [speedChange] = await tx
    .select({ machineId: speedChanges.machineId })
    .from(speedChanges)
    .where(eq(speedChanges.id, speedChangeId))
  if (!speedChange) throw notFound('speed-change')
  // What it changes is read behind the lock: another one of this machine may be done at the same moment.
  const { value, fresh } = await changeMachine(tx, speedChange.machineId, author, async () => {
    const row = await lockSpeedChange(tx, speedChangeId)
    if (!row) throw notFound('speed-change')
    if (row.doneAt) return { value: row, fresh: false }
    if (row.droppedAt) throw new HttpProblem(409, 'That speed change was canceled.')
    const doneAt = new Date(how.doneAt)
    if (doneAt < row.madeAt) throw fieldProblem('doneAt', 'it was planned after that')
    refuseFuture('doneAt', doneAt, author.now)
    await carryOut(tx, await snapshotOf(tx, row.machineId), row, how, author)
    const [after] = await tx.update(speedChanges).set({ doneAt }).where(eq(speedChanges.id, row.id)).returning()
    if (!after) throw notFound('speed-change')
    return { value: after, fresh: true }
  })
  return { value: { row: value, known: await snapshotOf(tx, speedChange.machineId) }, fresh }
}

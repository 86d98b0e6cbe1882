import type { roundEventBody } from '@motor-round/contract'
import { and, eq } from 'drizzle-orm'
import type { z } from 'zod'
import type { Tx } from '../db/client.ts'
import { roundEvents, roundVisits } from '../db/rounds-schema.ts'
import { machines, machineStates, visits } from '../db/schema.ts'
import { fieldProblem } from '../http/problem.ts'
import { tell } from '../rounds/live.ts'
import { roundIsThere } from '../rounds/make.ts'
import { asEvent } from '../rounds/page.ts'

/** What happened on a round; the same id twice keeps one. @returns false when it was there */
export async function keepEvent(
  tx: Tx,
  body: z.output<typeof roundEventBody>,
  by: string,
  now: Date,
): Promise<boolean> {
  if (!(await roundIsThere(tx, body.roundId))) throw fieldProblem('roundId', 'no such round')
  if (body.visitId !== null) await refuseWithoutStop(tx, body.visitId, body.machineId)
  const [kept] = await tx
    .insert(roundEvents)
    .values({ ...body, at: new Date(body.at), by, recordedAt: now })
    .onConflictDoNothing()
    .returning()
  if (!kept) return false
  if (body.kind === 'added' && body.machineId !== null) await addVisit(tx, body.roundId, body.machineId)
  // A machine that joins is one that watchers do not have.
  await tell(tx, body.roundId, body.kind === 'added' ? { say: 'page' } : { say: 'event', event: asEvent(kept) })
  return true
}

/** A visit that was not kept leaves its machine to be visited: nothing is done by it. */
async function refuseWithoutStop(tx: Tx, visitId: string, machineId: string | null): Promise<void> {
  const [visit] = await tx.select({ machineId: visits.machineId }).from(visits).where(eq(visits.id, visitId))
  if (!visit) throw fieldProblem('visitId', 'that visit does not exist')
  if (visit.machineId !== machineId) throw fieldProblem('visitId', 'that visit is of another machine')
}

/** A machine that was not planned joins the visits of the round. */
async function addVisit(tx: Tx, roundId: string, machineId: string): Promise<void> {
  const [machine] = await tx.select({ id: machines.id }).from(machines).where(eq(machines.id, machineId))
  if (!machine) throw fieldProblem('machineId', 'no such machine')
  const [there] = await tx
    .select({ id: roundVisits.machineId })
    .from(roundVisits)
    .where(and(eq(roundVisits.roundId, roundId), eq(roundVisits.machineId, machineId)))
  if (there) return
  const [state] = await tx
    .select({ level: machineStates.level })
    .from(machineStates)
    .where(eq(machineStates.machineId, machineId))
  await tx
    .insert(roundVisits)
    .values({ roundId, machineId, tasks: [], minutes: 8, learnt: 0, levelBefore: state?.level ?? null, added: true })
    .onConflictDoNothing()
}

import type { findingBody, findingStepBody } from '@motor-round/contract'
import { eq } from 'drizzle-orm'
import type { z } from 'zod'
import type { Tx } from '../db/client.ts'
import { findings, findingSteps } from '../db/rounds-schema.ts'
import { machines } from '../db/schema.ts'
import { fieldProblem } from '../http/problem.ts'
import { refresh } from '../machine-list/refresh.ts'
import { tell } from '../rounds/live.ts'
import { roundIsThere } from '../rounds/make.ts'

/** Keep what was found; the same id twice keeps one. @returns false when it was there */
export async function keepFinding(tx: Tx, body: z.output<typeof findingBody>, by: string): Promise<boolean> {
  const [machine] = await tx.select({ siteId: machines.siteId }).from(machines).where(eq(machines.id, body.machineId))
  if (!machine) throw fieldProblem('machineId', 'no such machine')
  if (body.roundId !== null && !(await roundIsThere(tx, body.roundId))) throw fieldProblem('roundId', 'no such round')
  const kept = await tx
    .insert(findings)
    .values({ ...body, siteId: machine.siteId, at: new Date(body.at), by })
    .onConflictDoNothing()
  if ((kept.rowCount ?? 0) === 0) return false
  await refresh(tx, [body.machineId])
  if (body.roundId !== null) await tell(tx, body.roundId)
  return true
}

/** Keep what became of a finding; the same id twice keeps one. @returns false when it was there */
export async function keepFindingStep(tx: Tx, body: z.output<typeof findingStepBody>, by: string): Promise<boolean> {
  const [found] = await tx
    .select({ machineId: findings.machineId, roundId: findings.roundId })
    .from(findings)
    .where(eq(findings.id, body.findingId))
  if (!found) throw fieldProblem('findingId', 'no such finding')
  if (found.machineId !== body.machineId) throw fieldProblem('machineId', 'is not the machine of that finding')
  const kept = await tx
    .insert(findingSteps)
    .values({ ...body, at: new Date(body.at), by })
    .onConflictDoNothing()
  if ((kept.rowCount ?? 0) === 0) return false
  await refresh(tx, [found.machineId])
  if (found.roundId !== null) await tell(tx, found.roundId)
  return true
}

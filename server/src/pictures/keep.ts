import type { pictureBody } from '@motor-round/contract'
import { eq } from 'drizzle-orm'
import type { z } from 'zod'
import type { Tx } from '../db/client.ts'
import { pictures } from '../db/rounds-schema.ts'
import { machines } from '../db/schema.ts'
import { fieldProblem } from '../http/problem.ts'
import { redrawn } from './bytes.ts'

/** Keep a picture; the same id twice keeps one. @returns false when it was there */
export async function keepPicture(tx: Tx, body: z.output<typeof pictureBody>, by: string): Promise<boolean> {
  const [machine] = await tx.select({ siteId: machines.siteId }).from(machines).where(eq(machines.id, body.machineId))
  if (!machine) throw fieldProblem('machineId', 'no such machine')
  const bytes = await redrawn(body)
  const kept = await tx
    .insert(pictures)
    .values({ ...body, siteId: machine.siteId, takenAt: new Date(body.takenAt), bytes, by })
    .onConflictDoNothing()
  return (kept.rowCount ?? 0) > 0
}

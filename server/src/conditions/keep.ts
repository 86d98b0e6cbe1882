import type { conditionClosingBody } from '@motor-round/contract'
import type { z } from 'zod'
import type { Tx } from '../db/client.ts'
import { conditionClosings } from '../db/rounds-schema.ts'
import { lockMachine } from '../register/machines.ts'
import { refresh } from '../machine-list/refresh.ts'

/** Keep that a person closed a condition or opened it again; the same id twice keeps one. @returns false when it was there */
export async function keepClosing(tx: Tx, body: z.output<typeof conditionClosingBody>, by: string): Promise<boolean> {
  const machine = await lockMachine(tx, body.machineId)
  const kept = await tx
    .insert(conditionClosings)
    .values({ ...body, siteId: machine.siteId, at: new Date(body.at), by })
    .onConflictDoNothing()
  if ((kept.rowCount ?? 0) === 0) return false
  await refresh(tx, [body.machineId])
  return true
}

import type { ClosingRecord } from '@motor-round/contract'
import { asc, inArray } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { conditionClosings } from '../db/rounds-schema.ts'

/** What persons closed and opened again at some machines, oldest first. */
export async function loadClosings(db: Db | Tx, machineIds: readonly string[]): Promise<ClosingRecord[]> {
  if (machineIds.length === 0) return []
  const rows = await db
    .select()
    .from(conditionClosings)
    .where(inArray(conditionClosings.machineId, [...machineIds]))
    .orderBy(asc(conditionClosings.at), asc(conditionClosings.id))
  return rows.map(({ siteId: _site, at, ...c }) => ({ ...c, at: at.toISOString() }))
}

import type { ClosingRecord } from '@motor-round/contract'
import { asc } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { anyOf, prepared } from '../db/prepared.ts'
import { conditionClosings } from '../db/rounds-schema.ts'

/** What persons closed and opened again at some machines, oldest first. */
export async function loadClosings(db: Db | Tx, machineIds: readonly string[]): Promise<ClosingRecord[]> {
  if (machineIds.length === 0) return []
  const statement = prepared(db, 'closings_of', () =>
    db
      .select()
      .from(conditionClosings)
      .where(anyOf(conditionClosings.machineId))
      .orderBy(asc(conditionClosings.at), asc(conditionClosings.id))
      .prepare('closings_of'),
  )
  const rows = await statement.execute({ ids: [...machineIds] })
  return rows.map(({ siteId: _site, at, ...c }) => ({ ...c, at: at.toISOString() }))
}

import { measuredAfter, type SpeedChangeRecord } from '@motor-round/contract'
import { desc, eq, inArray, isNotNull, sql } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { prepared } from '../db/prepared.ts'
import { machines, speedChanges, units } from '../db/schema.ts'
import type { MachineSnapshot } from '../machine/machine-snapshot.ts'
import { loadSnapshots } from '../machine/snapshot.ts'

type Row = typeof speedChanges.$inferSelect

export const asSpeedChange = (row: Row, known: MachineSnapshot): SpeedChangeRecord => ({
  id: row.id,
  machineId: row.machineId,
  madeAt: row.madeAt.toISOString(),
  change: row.change,
  predicted: row.predicted,
  note: row.note,
  by: row.by,
  doneAt: row.doneAt?.toISOString() ?? null,
  droppedAt: row.droppedAt?.toISOString() ?? null,
  droppedWhy: row.droppedWhy,
  measured: measuredAfter(known, row.doneAt?.toISOString() ?? null),
})

/** Plans of one machine, newest first. */
export async function speedChangesOf(db: Db | Tx, known: MachineSnapshot): Promise<SpeedChangeRecord[]> {
  const statement = prepared(db, 'speed_changes_of', () =>
    db
      .select()
      .from(speedChanges)
      .where(eq(speedChanges.machineId, sql.placeholder('id')))
      .orderBy(desc(speedChanges.madeAt), desc(speedChanges.id))
      .limit(50)
      .prepare('speed_changes_of'),
  )
  const rows = await statement.execute({ id: known.machine.id })
  return rows.map((r) => asSpeedChange(r, known))
}

/** The latest speed changes that were done, with their machines. */
export async function doneSpeedChanges(db: Db | Tx) {
  const rows = await db
    .select()
    .from(speedChanges)
    .where(isNotNull(speedChanges.doneAt))
    .orderBy(desc(speedChanges.doneAt), desc(speedChanges.id))
    .limit(100)
  const ids = [...new Set(rows.map((r) => r.machineId))]
  if (ids.length === 0) return []
  const known = new Map((await loadSnapshots(db, ids)).map((k) => [k.machine.id, k]))
  const tags = await db
    .select({ id: machines.id, tag: machines.tag, unitTag: units.tag })
    .from(machines)
    .innerJoin(units, eq(units.id, machines.unitId))
    .where(inArray(machines.id, ids))
  return rows.flatMap((r) => {
    const own = known.get(r.machineId)
    const tag = tags.find((t) => t.id === r.machineId)
    return own && tag ? [{ speedChange: asSpeedChange(r, own), unitTag: tag.unitTag, tag: tag.tag }] : []
  })
}

/** The plan for change, or undefined. */
export async function lockSpeedChange(tx: Tx, id: string): Promise<Row | undefined> {
  const [row] = await tx.select().from(speedChanges).where(eq(speedChanges.id, id)).for('no key update')
  return row
}

/** Two sends of one id wait for each other. */
export const lockSpeedChangeId = (tx: Tx, id: string) =>
  tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${id}, 11))`)

import { and, asc, gt, inArray, lte, sql } from 'drizzle-orm'
import type { Deps } from '../deps.ts'
import { machines, machineStates, machineVersions } from '../db/schema.ts'
import { refresh } from './refresh.ts'

/** So many are judged in one transaction: who saves a visit of one of them waits no longer than that takes. */
const atOnce = 4

/**
 * Judge machines at which a day has come that a finding was put off to, or that a permit to run ended with: nothing happens at them,
 * and they stand otherwise all the same.
 */
export async function turnDays({ db, now }: Pick<Deps, 'db' | 'now'>): Promise<void> {
  for (let last: string | null = null; ;) {
    const turnedAt = now()
    const rows: { id: string }[] = await db
      .select({ id: machineStates.machineId })
      .from(machineStates)
      .where(and(lte(machineStates.turnsAt, turnedAt), last === null ? undefined : gt(machineStates.machineId, last)))
      .orderBy(asc(machineStates.machineId))
      .limit(atOnce)
    const end = rows.at(-1)
    if (!end) return
    const ids = rows.map((r) => r.id)
    await db.transaction(async (tx) => {
      // As every command does: its machine first.
      await tx
        .select({ id: machines.id })
        .from(machines)
        .where(inArray(machines.id, ids))
        .orderBy(asc(machines.id))
        .for('no key update')
      await tx
        .insert(machineVersions)
        .values(ids.map((machineId) => ({ machineId, version: sql`gen_random_uuid()`, turnedAt })))
        .onConflictDoUpdate({
          target: machineVersions.machineId,
          set: { version: sql`gen_random_uuid()`, turnedAt: sql`excluded.turned_at` },
        })
      await refresh(tx, ids)
    })
    last = end.id
  }
}

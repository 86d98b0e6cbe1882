import type { Machine } from '@motor-round/contract'
import { and, eq, isNull } from 'drizzle-orm'
import { record } from '../audit/record.ts'
import type { Tx } from '../db/client.ts'
import { components } from '../db/schema.ts'
import { fieldProblem, notFound } from '../http/problem.ts'
import { dayIn } from '../dates.ts'
import { zoneOfSites } from '../rounds/zone.ts'
import { type Author } from '../machine/command.ts'

type Row = typeof components.$inferSelect

/**
 * Put a part into its slot; what is in it goes out at that moment. Sent again with the same id nothing is done.
 * @returns the part, and the one that went out; `again` when it was there already
 */
export async function installInSlot(
  tx: Tx,
  machine: Machine,
  part: Pick<Row, 'id' | 'slot' | 'spec' | 'installedAt' | 'why' | 'substitute'>,
  out: Pick<Row, 'removedFor' | 'removedWhy'>,
  author: Author,
): Promise<{ row: Row; old: Row | null; again: boolean }> {
  const [again] = await tx.select().from(components).where(eq(components.id, part.id))
  if (again) {
    if (again.machineId !== machine.id || again.slot !== part.slot)
      throw fieldProblem('id', 'that id is another part', 409)
    return { row: again, old: null, again: true }
  }
  const [old] = await tx
    .select()
    .from(components)
    .where(and(eq(components.machineId, machine.id), eq(components.slot, part.slot), isNull(components.removedAt)))
    .for('no key update')
  if (old && part.installedAt <= old.installedAt)
    throw fieldProblem(
      'installedAt',
      `the present one was installed on ${dayIn(old.installedAt, await zoneOfSites(tx, [machine.siteId]))}; the new one must be later`,
    )
  if (old) {
    await tx
      .update(components)
      .set({ removedAt: part.installedAt, ...out, version: old.version + 1 })
      .where(eq(components.id, old.id))
    await record(tx, {
      by: author.by,
      byId: author.byId,
      at: author.now,
      what: `${old.slot} removed`,
      entity: old.slot === 'motor' ? 'motor' : 'part',
      entityId: old.id,
      why: out.removedWhy,
      after: { removedAt: part.installedAt.toISOString(), removedFor: out.removedFor },
    })
  }
  const [row] = await tx
    .insert(components)
    .values({ ...part, installedBy: author.by, siteId: machine.siteId, machineId: machine.id, removedWhy: '' })
    .returning()
  if (!row) throw notFound('part')
  return { row, old: old ?? null, again: false }
}

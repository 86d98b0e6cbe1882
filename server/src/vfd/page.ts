import type { VfdPage, VfdSettings } from '@motor-round/contract'
import { and, asc, desc, eq, ne, sql } from 'drizzle-orm'
import { inTurn, type Db, type Tx } from '../db/client.ts'
import { machines } from '../db/schema.ts'
import { vfdLinks, vfdSettings } from '../db/vfd-schema.ts'
import { notFound } from '../http/problem.ts'
import { profileOf } from './profiles.ts'

const most = 50

const asSettings = ({ siteId: _, ...s }: typeof vfdSettings.$inferSelect): VfdSettings => ({
  ...s,
  takenAt: s.takenAt.toISOString(),
})

/** Settings of a machine's drive as they were kept, the newest first. */
export const settingsOf = async (tx: Db | Tx, machineId: string, limit = most): Promise<VfdSettings[]> =>
  (
    await tx
      .select()
      .from(vfdSettings)
      .where(eq(vfdSettings.machineId, machineId))
      .orderBy(desc(vfdSettings.takenAt), desc(vfdSettings.id))
      .limit(limit)
  ).map(asSettings)

export async function linkOf(tx: Db | Tx, machineId: string): Promise<VfdPage['link']> {
  const [row] = await tx.select().from(vfdLinks).where(eq(vfdLinks.machineId, machineId))
  if (!row) return null
  const { machineId: _, ...link } = row
  return { ...link, at: link.at.toISOString() }
}

/** Drives of the fans beside this one in its unit, with the settings kept last. */
async function twinsOf(tx: Db | Tx, machineId: string): Promise<VfdPage['twins']> {
  const own = tx.select({ unitId: machines.unitId }).from(machines).where(eq(machines.id, machineId))
  const rows = await tx
    .select({ machineId: machines.id, tag: machines.tag })
    .from(machines)
    .where(
      and(
        eq(machines.unitId, sql`(${own})`),
        ne(machines.id, machineId),
        eq(machines.hasVfd, true),
        eq(machines.hasTwin, true),
        sql`${machines.retiredAt} is null`,
      ),
    )
    .orderBy(asc(machines.tag))
  return Promise.all(rows.map(async (r) => ({ ...r, settings: (await settingsOf(tx, r.machineId, 1))[0] ?? null })))
}

/** What is known of a machine's drive. @throws a problem: no such machine */
export async function vfdPageOf(tx: Db | Tx, machineId: string): Promise<VfdPage> {
  const [machine] = await tx.select({ hasTwin: machines.hasTwin }).from(machines).where(eq(machines.id, machineId))
  if (!machine) throw notFound('machine')
  const [link, settings, twins] = await inTurn([
    linkOf(tx, machineId),
    settingsOf(tx, machineId),
    machine.hasTwin ? twinsOf(tx, machineId) : [],
  ])
  return { link, profile: link ? await profileOf(tx, link.profileId) : null, settings, twins }
}

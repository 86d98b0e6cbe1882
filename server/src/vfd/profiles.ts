import { shippedProfiles, type VfdProfile } from '@motor-round/core/vfd'
import { asc, eq } from 'drizzle-orm'
import { record } from '../audit/record.ts'
import type { Db, Tx } from '../db/client.ts'
import { vfdProfiles } from '../db/vfd-schema.ts'
import { fieldProblem } from '../http/problem.ts'
import type { Author } from '../machine/command.ts'

/** Kinds of drive: those that come with the product, and those that were added. */
export async function allProfiles(db: Db | Tx): Promise<{ profile: VfdProfile; shipped: boolean }[]> {
  const own = await db.select().from(vfdProfiles).orderBy(asc(vfdProfiles.id))
  return [
    ...shippedProfiles.map((profile) => ({ profile, shipped: true })),
    ...own.map(({ profile }) => ({ profile, shipped: false })),
  ]
}

export async function profileOf(db: Db | Tx, id: string): Promise<VfdProfile | null> {
  const shipped = shippedProfiles.find((p) => p.id === id)
  if (shipped) return shipped
  const [own] = await db.select().from(vfdProfiles).where(eq(vfdProfiles.id, id))
  return own?.profile ?? null
}

/** Add a kind of drive; the same id again replaces it. @throws a problem where the product has one of that id */
export async function keepProfile(tx: Tx, profile: VfdProfile, author: Author): Promise<void> {
  if (shippedProfiles.some((p) => p.id === profile.id))
    throw fieldProblem('id', `${profile.id} comes with the product: take another id`, 409)
  const [before] = await tx.select().from(vfdProfiles).where(eq(vfdProfiles.id, profile.id)).for('update')
  const row = { id: profile.id, profile, by: author.by, at: author.now }
  await tx.insert(vfdProfiles).values(row).onConflictDoUpdate({ target: vfdProfiles.id, set: row })
  await record(tx, {
    by: author.by,
    byId: author.byId,
    at: author.now,
    what: before ? 'drive profile replaced' : 'drive profile added',
    entity: 'vfdProfile',
    entityId: null,
    before: before ? { profile: before.profile } : {},
    after: { profile },
  })
}

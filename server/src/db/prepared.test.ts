import { eq, sql } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { openWorld, type World } from '../test/world.ts'
import type { Db, Tx } from './client.ts'
import { prepared } from './prepared.ts'
import { sites } from './schema.ts'

let one: World
let other: World
beforeAll(async () => {
  one = await openWorld(true)
  other = await openWorld(true)
})
afterAll(async () => {
  await one.end()
  await other.end()
})

const made = vi.fn()
const nameOf = (db: Db | Tx) =>
  prepared(db, 'test_site_name', () => {
    made()
    return db
      .select({ name: sites.name })
      .from(sites)
      .where(eq(sites.id, sql.placeholder('id')))
      .prepare('test_site_name')
  })
const firstSite = async ({ deps }: World) => {
  const [site] = await deps.db.select().from(sites).orderBy(sites.id).limit(1)
  if (!site) throw new Error('no site')
  return site
}

describe('a prepared statement', () => {
  it('is put together once, and asks the database it is given', async () => {
    const { id, name } = await firstSite(one)
    await other.deps.db.update(sites).set({ name: 'Renamed elsewhere' }).where(eq(sites.id, id))
    for (let i = 0; i < 3; i++) {
      expect(await nameOf(one.deps.db).execute({ id })).toEqual([{ name }])
      expect(await nameOf(other.deps.db).execute({ id })).toEqual([{ name: 'Renamed elsewhere' }])
    }
    expect(made).toHaveBeenCalledTimes(1)
  })
  it('sees in a transaction what that did, and nobody else sees it, on as many connections as there are', async () => {
    const { id, name } = await firstSite(one)
    const tried = Array.from({ length: 5 }, (_, n) =>
      one.deps.db
        .transaction(async (tx) => {
          // Each renames the site, waits its turn at the row, and takes it back.
          await tx
            .update(sites)
            .set({ name: `Try ${n}` })
            .where(eq(sites.id, id))
          expect(await nameOf(tx).execute({ id })).toEqual([{ name: `Try ${n}` }])
          expect(await nameOf(one.deps.db).execute({ id })).toEqual([{ name }])
          throw new Error('taken back')
        })
        .catch((e: unknown) => expect(e).toMatchObject({ message: 'taken back' })),
    )
    await Promise.all(tried)
    expect(await nameOf(one.deps.db).execute({ id })).toEqual([{ name }])
  })
  it('takes the values it is given, side by side', async () => {
    const all = await one.deps.db.select().from(sites)
    const found = await Promise.all(all.map((s) => nameOf(one.deps.db).execute({ id: s.id })))
    expect(found.map(([row]) => row?.name)).toEqual(all.map((s) => s.name))
  })
})

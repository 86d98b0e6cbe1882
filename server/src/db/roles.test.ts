import pg from 'pg'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { openWorld, refusedToAll, type World } from '../test/world.ts'
import { letServerIn } from './roles.ts'

let world: World
beforeAll(async () => {
  world = await openWorld(true)
})
afterAll(() => world.end())

const facts = async (): Promise<string[]> => {
  const { rows } = await world.asOwner(
    `select distinct format('%I', c.relname) as t from pg_trigger g join pg_class c on c.oid = g.tgrelid
     join pg_proc p on p.oid = g.tgfoid where p.proname = 'facts_stay' and g.tgparentid = 0`,
  )
  return rows.map((r: { t: string }) => r.t)
}

describe('the role of the server', () => {
  it('adds facts and reads them; it changes, takes out and empties none, and neither does the owner by mistake', async () => {
    const all = await facts()
    expect(all).toEqual(
      expect.arrayContaining(['visits', 'readings', 'audit', 'audit_seals', 'work', 'supersessions', 'job_steps']),
    )
    for (const table of all) await refusedToAll(world, `truncate ${table} cascade`)
    for (const table of all) await expect(world.deps.pool.query(`delete from ${table}`)).rejects.toThrow('permission')
    // Nor by the back door, a year's own table.
    await expect(world.deps.pool.query('delete from readings_2026')).rejects.toThrow('permission')
  })
  it('cannot put the triggers out of force, change the schema, or make itself more', async () => {
    for (const text of [
      'alter table audit disable trigger all',
      'drop trigger audit_stay on audit',
      'alter table audit add column x int',
      'drop table audit',
      `set session_replication_role = 'replica'`,
      'alter role motor_round_app superuser',
      `create role somebody login`,
      `set role motor_round`,
      `create or replace function facts_stay() returns trigger language plpgsql as $$ begin return new; end $$`,
    ])
      await expect(world.deps.pool.query(text), text).rejects.toThrow(
        /must be owner|permission denied|must be superuser/,
      )
  })

  it('is let in by servers that start at the same moment', async () => {
    const url = world.deps.config.DATABASE_URL
    const owner = Object.assign(new URL(inject('databaseUrl')), { pathname: new URL(url).pathname }).href
    const clients = Array.from({ length: 5 }, () => new pg.Client(owner))
    await Promise.all(clients.map((c) => c.connect()))
    try {
      await Promise.all(clients.map((c) => letServerIn(c, url)))
    } finally {
      await Promise.all(clients.map((c) => c.end()))
    }
    expect((await world.deps.pool.query('select 1 as here')).rows).toEqual([{ here: 1 }])
  })
})

import { randomUUID } from 'node:crypto'
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { z } from 'zod'
import { machines } from './schema.ts'
import { closeDatabase, migrateUp, openDatabase, type Db } from './client.ts'
import { loadSnapshots } from '../machine/snapshot.ts'
import { sealAudit } from '../audit/seal.ts'
import { openWorld, type World } from '../test/world.ts'

const folder = join(import.meta.dirname, '../../drizzle')
const journal = z
  .object({ entries: z.array(z.looseObject({ tag: z.string() })) })
  .loose()
  .parse(JSON.parse(readFileSync(join(folder, 'meta/_journal.json'), 'utf8')))
// The first two landed together: without partitions there is no place for a visit.
const landed = journal.entries.map((e, i) => [e.tag, i + 1] as const).slice(1, -1)

let world: World
let now: pg.Client
/** What is asked of the newest version is the same for every earlier one: it is asked once. */
const asked = new Map<string, Promise<unknown>>()
function once<T>(what: string, ask: () => Promise<T>): Promise<T> {
  const known = asked.get(what) as Promise<T> | undefined
  const answer = known ?? ask()
  asked.set(what, answer)
  return answer
}
const temporary = mkdtempSync(join(tmpdir(), 'motor-round-upgrade-'))
beforeAll(async () => {
  world = await openWorld(true)
  now = new pg.Client(world.deps.config.DATABASE_URL)
  await now.connect()
})
afterAll(async () => {
  await now.end()
  await world.end()
  rmSync(temporary, { recursive: true })
})

/** The folder of migrations as it was when the first so many had landed. */
function foldersOf(count: number): string {
  const to = join(temporary, String(count))
  cpSync(folder, to, { recursive: true })
  writeFileSync(
    join(to, 'meta/_journal.json'),
    JSON.stringify({ ...journal, entries: journal.entries.slice(0, count) }),
  )
  return to
}

/** A new database, by its owner. */
async function newDatabase(): Promise<string> {
  const admin = new pg.Client(inject('databaseUrl'))
  await admin.connect()
  const name = `up_${randomUUID().replaceAll('-', '')}`
  await admin.query(`create database ${name}`)
  await admin.end()
  return inject('databaseUrl').replace(/\/postgres$/, `/${name}`)
}

const tablesOf = async (client: pg.Client) => {
  const { rows } = await client.query<{ name: string }>(
    `select c.relname as name from pg_class c where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p')
     and not c.relispartition order by 1`,
  )
  return rows.map((r) => r.name)
}
const columnsOf = async (client: pg.Client, table: string) => {
  const { rows } = await client.query<{ name: string }>(
    `select column_name as name from information_schema.columns where table_schema = 'public' and table_name = $1 order by 1`,
    [table],
  )
  return rows.map((r) => `"${r.name}"`)
}
const contentOf = async (client: pg.Client, table: string, columns: readonly string[]) => {
  const { rows } = await client.query<{ all: string }>(
    `select md5(coalesce(string_agg(x::text, '|' order by x::text), '')) || ' ' || count(*) as all from (select ${columns.join(', ')} from "${table}") x`,
  )
  return rows[0]?.all
}
/** What a database is made of: columns, indexes, triggers, functions, constraints. */
const shapeOf = async (client: pg.Client) => {
  const { rows } = await client.query<{ part: string }>(`
    select concat_ws(' ', table_name, column_name, data_type, is_nullable, column_default) as part from information_schema.columns where table_schema = 'public'
    union all select indexdef from pg_indexes where schemaname = 'public'
    union all select pg_get_triggerdef(t.oid) from pg_trigger t join pg_class c on c.oid = t.tgrelid where c.relnamespace = 'public'::regnamespace and not t.tgisinternal
    union all select pg_get_functiondef(oid) from pg_proc where pronamespace = 'public'::regnamespace
    union all select conrelid::regclass || ' ' || pg_get_constraintdef(oid) from pg_constraint where connamespace = 'public'::regnamespace
    order by 1`)
  return rows.map((r) => r.part)
}

/** How many visits are loaded of these machines. */
const visitsOf = async (db: Db, ids: readonly string[]) =>
  (await loadSnapshots(db, ids)).reduce((sum, s) => sum + s.visits.length, 0)

/** What columns that are gone since held, where they may not be empty. */
const gone: Readonly<Record<string, object>> = { machine_states: { confidence: 'full', spark: [] } }

/** The rows of a table as they are now, for an earlier version. */
async function rowsOf(table: string): Promise<string[]> {
  const { rows } = await now.query<{ row: string }>(
    `select (to_jsonb(t) || $1::jsonb)::text as row from "${table}" t`,
    [JSON.stringify(gone[table] ?? {})],
  )
  return rows.map((r) => r.row)
}

describe('a database of an earlier version', () => {
  it.each(landed)(
    'of %s is brought up with all that is in it',
    async (_tag, count) => {
      const url = await newDatabase()
      const client = new pg.Client(url)
      await client.connect()
      await migrate(drizzle(client), { migrationsFolder: foldersOf(count) })
      // What the demo holds, as far as that version had a place for it; triggers slept meanwhile.
      await client.query(`set session_replication_role = 'replica'`)
      const held: [string, string[]][] = []
      for (const table of await tablesOf(client)) {
        const columns = await columnsOf(client, table)
        const rows = await once(`rows of ${table}`, () => rowsOf(table))
        await client.query(`delete from "${table}"`)
        for (let i = 0; i < rows.length; i += 2000)
          await client.query(
            `insert into "${table}" (${columns.join(', ')}) overriding system value select ${columns.map((c) => `r.${c}`).join(', ')}
           from unnest($1::text[]) x, jsonb_populate_record(null::"${table}", x::jsonb) r`,
            [rows.slice(i, i + 2000)],
          )
        const kept = await once(`columns of ${table}`, () => columnsOf(now, table))
        held.push([table, columns.filter((c) => kept.includes(c))])
      }
      await client.query(`set session_replication_role = 'origin'`)

      const database = openDatabase(url, () => undefined)
      await migrateUp(database.pool)
      // What is held of a machine is known by its version: under the same one, that of another database would be taken for it.
      await client.query('update machine_versions set version = gen_random_uuid()')
      // Derived, with ids by chance, or a list of what waits.
      const derived = ['judgements', 'machine_versions', 'audit_waiting', 'audit_seals']
      for (const [table, columns] of held.filter(([t]) => !derived.includes(t)))
        expect([table, await contentOf(client, table, columns)]).toEqual([
          table,
          await once(`${columns.join()} of ${table}`, () => contentOf(now, table, columns)),
        ])
      expect(await shapeOf(client)).toEqual(await once('shape', () => shapeOf(now)))
      const ids = (await database.db.select({ id: machines.id }).from(machines)).map((m) => m.id)
      expect(await visitsOf(database.db, ids)).toBe(await once('visits', () => visitsOf(world.deps.db, ids)))
      const audits = await client.query<{ n: number }>('select count(*)::int as n from audit')
      const seals = await client.query<{ n: number }>('select count(*)::int as n from audit_seals')
      expect(await sealAudit({ ...world.deps, db: database.db })).toBe(
        (audits.rows[0]?.n ?? 0) - (seals.rows[0]?.n ?? 0),
      )
      await client.end()
      await closeDatabase(database)
    },
    60_000,
  )
})

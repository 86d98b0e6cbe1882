import { readFileSync } from 'node:fs'
import { Socket } from 'node:net'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'
import { z } from 'zod'
import * as schema from './schema.ts'

export type Db = NodePgDatabase<typeof schema> & { readonly $client: pg.Pool }
export type Tx = Parameters<Parameters<Db['transaction']>[0]>[0]

interface Way {
  /**
   * Whether statements of one connection are sent without waiting for the answers of those before them. The database still takes
   * one after the other. A COPY or a listener needs a connection without.
   */
  readonly pipelined: boolean
  /** Connections at the most. */
  readonly most: number
}

/** What is sent in one go is one write: to hand each statement to the system by itself takes longer than putting it together. */
class InOneGo extends Socket {
  override uncork(): void {
    process.nextTick(() => super.uncork())
  }
}

/** A pool whose lost connections are reported, not thrown: the next query simply takes a new one. */
function openPool(url: string, onLost: (e: Error) => void, { pipelined, most }: Way): pg.Pool {
  // Queries over many partitions look dear to the planner and would be compiled, which takes longer than running them.
  const pool = new pg.Pool({
    connectionString: url,
    max: most,
    connectionTimeoutMillis: 10_000,
    options: '-c jit=off',
    pipeline: pipelined,
    ...(pipelined ? { stream: () => new InOneGo() } : {}),
  })
  pool.on('error', onLost)
  // The pool hears its idle connections alone: one that is lost between two queries of a transaction would end the server.
  pool.on('connect', (client) => client.on('error', onLost))
  return pool
}

const tries = 4

/** Two transactions waited for each other, and the database ended one: done again from its start it is as good as the first. */
function waitedInACircle(e: unknown): boolean {
  if (typeof e !== 'object' || e === null) return false
  if ('code' in e && (e.code === '40P01' || e.code === '40001')) return true
  return 'cause' in e && waitedInACircle(e.cause)
}

/** Transactions that are done again where another one stood in their way. What they do has to be theirs alone to do again. */
function patient(db: Db): Db {
  const once = db.transaction.bind(db)
  const transaction: Db['transaction'] = async (work, config) => {
    for (let n = 1; ; n++)
      try {
        return await once(work, config)
      } catch (e) {
        if (n >= tries || !waitedInACircle(e)) throw e
        await new Promise((go) => setTimeout(go, n * 10 * (0.5 + Math.random())))
      }
  }
  return Object.assign(db, { transaction })
}

/** Connections for what is long: exports, imports. Whoever reads slowly holds up others who read files, and nobody else. */
export interface FilesDatabase {
  readonly db: Db
  readonly pool: pg.Pool
  /** For keeping what was checked: it judges machines, as requests do. */
  readonly keepers: pg.Pool
}

/**
 * The database as the features see it: `db` for statements; `pool` for sessions, health and who listens, so that these are
 * answered whatever else runs; `files` for what is long.
 * @param shares processes that share what the database allows
 */
export function openDatabase(
  url: string,
  onLost: (e: Error) => void,
  shares = 1,
): { readonly db: Db; readonly pool: pg.Pool; readonly files: FilesDatabase } {
  const share = (all: number, least: number) => Math.max(least, Math.ceil(all / shares))
  const long = openPool(url, onLost, { pipelined: false, most: share(4, 2) })
  return {
    db: patient(
      drizzle(openPool(url, onLost, { pipelined: true, most: shares === 1 ? 10 : share(24, 4) }), { schema }),
    ),
    pool: openPool(url, onLost, { pipelined: false, most: shares === 1 ? 6 : share(12, 3) }),
    files: {
      db: patient(drizzle(long, { schema })),
      pool: long,
      keepers: openPool(url, onLost, { pipelined: true, most: share(2, 1) }),
    },
  }
}

const onConnection = new WeakMap<pg.PoolClient, Db>()

/**
 * Ask several things over one connection: they are one way to the database and back, where each over a connection of its own
 * costs both ends more. Not a transaction: what one statement sees another may see changed.
 */
export async function together<T>(db: Db, ask: (one: Db) => Promise<T>): Promise<T> {
  const client = await db.$client.connect()
  try {
    const known = onConnection.get(client)
    const one = known ?? Object.assign(drizzle(client, { schema }), { $client: db.$client })
    if (!known) onConnection.set(client, one)
    return await ask(one)
  } finally {
    client.release()
  }
}

/** Let go of every connection. */
export const closeDatabase = async ({
  db,
  pool,
  files,
}: {
  readonly db: Db
  readonly pool: pg.Pool
  readonly files: FilesDatabase
}): Promise<void> => {
  await Promise.all([db.$client.end(), pool.end(), files.pool.end(), files.keepers.end()])
}

/**
 * Send a statement now and not when it is waited for: several of one transaction, sent one after the other, are one way to the
 * database and back. None may need what another one answers, and all are waited for together.
 */
export const sent = <T>(statement: PromiseLike<T>): Promise<T> => Promise.resolve(statement.then((answer) => answer))

/**
 * Answers of what was sent together, in its order. Behind one that fails the transaction refuses all others: told is the first of
 * them, which says why, not the one whose refusal happens to come first.
 */
export async function inTurn<const T extends readonly unknown[]>(
  asked: T,
): Promise<{ -readonly [P in keyof T]: Awaited<T[P]> }> {
  const answers = await Promise.allSettled(asked)
  const failed = answers.find((a) => a.status === 'rejected')
  if (failed) throw failed.reason
  return answers.map((a) => (a.status === 'fulfilled' ? a.value : undefined)) as {
    -readonly [P in keyof T]: Awaited<T[P]>
  }
}

const journal = z.object({ entries: z.array(z.object({ when: z.number() })) })

/**
 * What a newer Motor Round made, this one does not know: it would read it wrong.
 * @throws Error in one line
 */
async function refuseNewer(client: pg.PoolClient, folder: string): Promise<void> {
  const known = journal.parse(JSON.parse(readFileSync(join(folder, 'meta/_journal.json'), 'utf8')))
  const there = await client.query<{ made: string | null }>(
    "select to_regclass('drizzle.__drizzle_migrations') as made",
  )
  if (there.rows[0]?.made == null) return
  const applied = await client.query<{ newest: string | null }>(
    'select max(created_at) as newest from drizzle.__drizzle_migrations',
  )
  if (Number(applied.rows[0]?.newest ?? 0) > Math.max(0, ...known.entries.map((e) => e.when)))
    throw new Error('it was made by a newer Motor Round. Start that one, or restore a backup of this one')
}

/** Bring the database up to date. The lock lets several servers start at once. */
export async function migrateUp(pool: pg.Pool): Promise<void> {
  const client = await pool.connect()
  try {
    await client.query('select pg_advisory_lock(727001)')
    // Both from source (src/db) and from the bundle (dist) the folder lies one or two levels up.
    const folder = fileURLToPath(
      new URL(import.meta.url.includes('/dist/') ? '../drizzle' : '../../drizzle', import.meta.url),
    )
    await refuseNewer(client, folder)
    await migrate(drizzle(client), { migrationsFolder: folder })
  } finally {
    await client.query('select pg_advisory_unlock(727001)')
    client.release()
  }
}

import { fileURLToPath } from 'node:url'
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'
import * as schema from './schema.ts'

export type Db = NodePgDatabase<typeof schema>
export type Tx = Parameters<Parameters<Db['transaction']>[0]>[0]

/** A pool whose lost connections are reported, not thrown: the next query simply takes a new one. */
export function openPool(url: string, onLost: (e: Error) => void): pg.Pool {
  // Queries over many partitions look dear to the planner and would be compiled, which takes longer than running them.
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 10_000, options: '-c jit=off' })
  pool.on('error', onLost)
  // The pool hears its idle connections alone: one that is lost between two queries of a transaction would end the server.
  pool.on('connect', (client) => client.on('error', onLost))
  return pool
}

export const openDb = (pool: pg.Pool): Db => drizzle(pool, { schema })

/** Bring the database up to date. The lock lets several servers start at once. */
export async function migrateUp(pool: pg.Pool): Promise<void> {
  const client = await pool.connect()
  try {
    await client.query('select pg_advisory_lock(727001)')
    // Both from source (src/db) and from the bundle (dist) the folder lies one or two levels up.
    const folder = import.meta.url.includes('/dist/') ? '../drizzle' : '../../drizzle'
    await migrate(drizzle(client), { migrationsFolder: fileURLToPath(new URL(folder, import.meta.url)) })
  } finally {
    await client.query('select pg_advisory_unlock(727001)')
    client.release()
  }
}

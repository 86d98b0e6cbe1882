import { sql, type SQL } from 'drizzle-orm'
import type { AnyPgColumn } from 'drizzle-orm/pg-core'
import type { Db, Tx } from './client.ts'

const statements = new Map<string, object>()

/** What a database, or a transaction, speaks through. */
function clientOf({ _: { session } }: Db | Tx): unknown {
  if ('client' in session) return session.client
  throw new Error('a database keeps its connection elsewhere')
}

/**
 * A statement that is put together once, and planned once for each connection. For what is asked at every request: putting a
 * statement together and planning it takes longer than answering it. Each transaction is given it on its own connection.
 * @param name of its own in the whole server: under it there is only what this very call makes
 */
export function prepared<T extends object>(db: Db | Tx, name: string, make: (db: Db | Tx) => T): T {
  const known = statements.get(name) as T | undefined
  const statement = known ?? make(db)
  if (!('client' in statement)) throw new Error('a statement keeps its connection elsewhere')
  if (!known) statements.set(name, statement)
  return Object.create(statement, { client: { value: clientOf(db) } }) as T
}

/** One of the ids that a prepared statement is given as `ids`. */
export const anyOf = (column: AnyPgColumn): SQL => sql`${column} = any(${sql.placeholder('ids')}::uuid[])`

import { sql, type SQL } from 'drizzle-orm'
import { PgDialect, type AnyPgColumn } from 'drizzle-orm/pg-core'
import type { QueryResult, QueryResultRow } from 'pg'
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

const dialect = new PgDialect()

/** The same of a statement that is written by hand, with placeholders for its values. */
export const preparedSql = <T extends QueryResultRow>(db: Db | Tx, name: string, make: () => SQL) =>
  prepared(db, name, ({ _: { session } }) =>
    session.prepareQuery<{ execute: QueryResult<T>; all: unknown; values: unknown }>(
      dialect.sqlToQuery(make()),
      undefined,
      name,
      false,
    ),
  )

/** One of the ids that a prepared statement is given as `ids`. */
export const anyOf = (column: AnyPgColumn): SQL => sql`${column} = any(${sql.placeholder('ids')}::uuid[])`

import { and, asc, getTableColumns, gt, type SQL } from 'drizzle-orm'
import type { PgTable } from 'drizzle-orm/pg-core'
import type { Tx } from '../../db/client.ts'

/** So many records are in memory at once; of what has bytes, so many. */
export const page = 1000
export const pageOfBytes = 4

interface Choice {
  /** Which of the table; all where it is left out. */
  readonly only?: SQL
  readonly most?: number
}

/** The records of a table by the order of a key that no two share, some at a time. */
export async function* pages<T extends PgTable>(
  tx: Tx,
  table: T,
  key: keyof T['$inferSelect'] & string,
  { only, most = page }: Choice = {},
): AsyncGenerator<T['$inferSelect'][]> {
  const column = getTableColumns(table)[key]
  if (!column) throw new Error(`${key} is no column`)
  const from: PgTable = table
  for (let last: unknown = null; ;) {
    const rows: T['$inferSelect'][] = await tx
      .select()
      .from(from)
      .where(and(only, last === null ? undefined : gt(column, last)))
      .orderBy(asc(column))
      .limit(most)
    const end = rows.at(-1)
    if (!end) return
    yield rows
    last = end[key]
  }
}

/** A list of the file, from what comes some records at a time. */
export async function* listText(name: string, parts: AsyncIterable<readonly unknown[]>): AsyncGenerator<string> {
  yield `,"${name}":[`
  let comma = ''
  for await (const part of parts) {
    if (part.length === 0) continue
    yield comma + part.map((r) => JSON.stringify(r)).join(',')
    comma = ','
  }
  yield ']'
}

/** Each record of what comes, in another form. */
export async function* each<A, B>(parts: AsyncIterable<readonly A[]>, as: (one: A) => B): AsyncGenerator<B[]> {
  for await (const part of parts) yield part.map(as)
}

/** The records of a table with an id as a list of the file. */
export const tableText = <T extends PgTable>(
  tx: Tx,
  name: string,
  table: T,
  key: keyof T['$inferSelect'] & string,
  as: (row: T['$inferSelect']) => unknown = (row) => row,
  choice: Choice = {},
): AsyncGenerator<string> => listText(name, each(pages(tx, table, key, choice), as))

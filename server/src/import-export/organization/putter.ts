import type { PgTable } from 'drizzle-orm/pg-core'
import type { Tx } from '../../db/client.ts'
import type { ItemOf, ListName } from './lists.ts'
import type { OrganizationSource } from './source.ts'

/** The site that a machine of the file is at. */
export type SiteOf = (machineId: string) => string

const slice = 1000

/** Put rows into a table, those that are not there yet. @returns how many were not */
export async function put<T extends PgTable>(tx: Tx, table: T, rows: T['$inferInsert'][]): Promise<number> {
  let added = 0
  for (let i = 0; i < rows.length; i += slice) {
    const result = await tx
      .insert(table)
      .values(rows.slice(i, i + slice))
      .onConflictDoNothing()
    added += result.rowCount ?? 0
  }
  return added
}

export const when = (instant: string | null | undefined): Date | null => (instant == null ? null : new Date(instant))

/** Puts lists of a file into tables, some records at a time. */
export class Putter {
  readonly #tx: Tx
  readonly #source: OrganizationSource
  constructor(tx: Tx, source: OrganizationSource) {
    this.#tx = tx
    this.#source = source
  }

  /** Each record as one row. */
  each<K extends ListName, T extends PgTable>(name: K, table: T, row: (item: ItemOf<K>) => T['$inferInsert']) {
    return this.all(name, (items) => put(this.#tx, table, items.map(row)))
  }

  /** As the caller does. */
  async all<K extends ListName>(name: K, how: (items: readonly ItemOf<K>[]) => Promise<unknown>): Promise<void> {
    for await (const items of this.#source.list(name)) await how(items)
  }
}

import type { OrganizationFile } from '@motor-round/contract'
import type { Tx } from '../../db/client.ts'
import { sql } from 'drizzle-orm'
import { stagingTable } from '../staging.ts'
import { atOnce, itemOf, organizationHead, type ItemOf, type ListName, type OrganizationHead } from './lists.ts'

/** An organization file, of any size: what it says beside its lists, and each list some items at a time. */
export interface OrganizationSource {
  readonly head: OrganizationHead
  list<K extends ListName>(name: K): AsyncIterable<readonly ItemOf<K>[]>
}

/** One that is there as a whole. */
export function inMemory(file: OrganizationFile): OrganizationSource {
  const { digestAddresses = [], audit = [], ...rest } = file
  const lists: { readonly [K in ListName]: readonly ItemOf<K>[] } = { ...rest, digestAddresses, audit }
  return {
    head: file,
    async *list<K extends ListName>(name: K) {
      yield await Promise.resolve(lists[name])
    },
  }
}

/** One that was checked and lies in the staging table of its import. */
export async function staged(tx: Tx, importId: string): Promise<OrganizationSource> {
  const table = sql.raw(stagingTable(importId))
  const [head] = (await tx.execute<{ document: unknown }>(sql`select document from ${table} where list = '' and n = 0`))
    .rows
  return {
    head: organizationHead.parse(head?.document),
    async *list<K extends ListName>(name: K) {
      const item = itemOf(name)
      const most = atOnce(name)
      for (let from = 0; ; from += most) {
        const { rows } = await tx.execute<{ document: unknown }>(
          sql`select document from ${table} where list = ${name} and n >= ${from} and n < ${from + most} order by n`,
        )
        if (rows.length === 0) return
        yield rows.map((r) => item.parse(r.document))
      }
    },
  }
}

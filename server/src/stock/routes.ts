import { stockEndpoints, type BodyOf } from '@motor-round/contract'
import { asc, desc, eq, inArray } from 'drizzle-orm'
import type { Router } from 'express'
import { record, who } from '../audit/record.ts'
import type { Tx } from '../db/client.ts'
import { stockItems, stockMoves, stockPlaces } from '../db/stock-schema.ts'
import { machines, sites, units } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { fieldProblem, notFound } from '../http/problem.ts'
import { refuseStale } from '../register/edit.ts'
import { asMove, loadItems, machinesOf } from './load.ts'

async function loadedItem(tx: Tx, id: string, now: Date) {
  const [item] = await loadItems(tx, now, [id])
  if (!item) throw notFound('item of stock')
  return item
}

async function refuseSite(tx: Tx, siteId: BodyOf<typeof stockEndpoints.addStockPlace>['siteId']): Promise<void> {
  if (siteId === null) return
  const [site] = await tx.select({ id: sites.id }).from(sites).where(eq(sites.id, siteId))
  if (!site) throw fieldProblem('siteId', 'no such site')
}

/** Parts that lie in shops, vans, cages and on suppliers’ shelves. What happens to them comes in by the sync. */
export function stockRoutes(router: Router, deps: Deps): void {
  mount(router, deps, stockEndpoints.stock, async () => ({
    places: await deps.db.select().from(stockPlaces).orderBy(asc(stockPlaces.name)),
    items: await loadItems(deps.db, deps.now()),
  }))

  mount(router, deps, stockEndpoints.stockItem, async ({ params }) => {
    const [item] = await deps.db.select().from(stockItems).where(eq(stockItems.id, params.id))
    if (!item) throw notFound('item of stock')
    const moves = await deps.db
      .select()
      .from(stockMoves)
      .where(eq(stockMoves.itemId, params.id))
      .orderBy(desc(stockMoves.at), desc(stockMoves.id))
      .limit(200)
    const taking = await machinesOf(deps.db, item, deps.now())
    const names =
      taking.size === 0
        ? []
        : await deps.db
            .select({ id: machines.id, unitTag: units.tag, tag: machines.tag })
            .from(machines)
            .innerJoin(units, eq(units.id, machines.unitId))
            .where(inArray(machines.id, [...taking.keys()].slice(0, 500)))
            .orderBy(asc(units.tag), asc(machines.tag))
    return { moves: moves.map(asMove), machines: names.map((m) => ({ ...m, takes: taking.get(m.id) ?? 0 })) }
  })

  mount(router, deps, stockEndpoints.addStockPlace, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      await refuseSite(tx, body.siteId)
      const [row] = await tx.insert(stockPlaces).values(body).returning()
      if (!row) throw notFound('place')
      const now = deps.now()
      await record(tx, {
        ...who(person),
        at: now,
        what: 'stock place added',
        entity: 'stock',
        entityId: row.id,
        after: body,
      })
      return row
    }),
  )

  mount(router, deps, stockEndpoints.addStockItem, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      const now = deps.now()
      await tx.insert(stockItems).values(body)
      await record(tx, {
        ...who(person),
        at: now,
        what: 'stock item added',
        entity: 'stock',
        entityId: body.id,
        after: body,
      })
      return loadedItem(tx, body.id, now)
    }),
  )

  mount(router, deps, stockEndpoints.editStockItem, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const now = deps.now()
      const [before] = await tx.select().from(stockItems).where(eq(stockItems.id, params.id)).for('no key update')
      if (!before) throw notFound('item of stock')
      if (body.id !== params.id) throw fieldProblem('id', 'is another item')
      await refuseStale(tx, 'item', before.id, before.version, body.version, before)
      const { id: _id, version, ...next } = body
      await tx
        .update(stockItems)
        .set({ ...next, version: version + 1 })
        .where(eq(stockItems.id, params.id))
      await record(tx, {
        ...who(person),
        at: now,
        what: 'stock item changed',
        entity: 'stock',
        entityId: params.id,
        before,
        after: next,
      })
      return loadedItem(tx, params.id, now)
    }),
  )
}

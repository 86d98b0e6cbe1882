import { care, endpoints, unitKinds, type Unit } from '@motor-round/contract'
import { asc, eq } from 'drizzle-orm'
import type { Router } from 'express'
import { record, who } from '../audit/record.ts'
import type { Tx } from '../db/client.ts'
import { areas, machines, sites, units } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { fieldProblem, notFound } from '../http/problem.ts'
import { refreshMany } from '../machine/refresh.ts'
import { refuseStale } from './edit.ts'

async function refreshWhere(tx: Tx, column: 'siteId' | 'areaId' | 'unitId', id: string): Promise<void> {
  const rows = await tx
    .select({ id: machines.id })
    .from(machines)
    .innerJoin(units, eq(units.id, machines.unitId))
    .where(eq(column === 'areaId' ? units.areaId : machines[column], id))
  await refreshMany(
    tx,
    rows.map((r) => r.id),
  )
}

async function areaOf(tx: Tx, areaId: string) {
  const [area] = await tx.select().from(areas).where(eq(areas.id, areaId))
  if (!area) throw fieldProblem('areaId', 'no such area')
  return area
}

/** Sites, areas and units. */
export function placeRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.places, async () => ({
    sites: await deps.db.select().from(sites).orderBy(asc(sites.name)),
    areas: await deps.db.select().from(areas).orderBy(asc(areas.name)),
    units: (await deps.db.select().from(units).orderBy(asc(units.tag))).map(asUnit),
  }))

  mount(router, deps, endpoints.addSite, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      const [row] = await tx.insert(sites).values(body).returning()
      if (!row) throw notFound('site')
      await record(tx, {
        ...who(person),
        at: deps.now(),
        what: 'site added',
        entity: 'site',
        entityId: row.id,
        after: body,
      })
      return row
    }),
  )

  mount(router, deps, endpoints.editSite, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const [before] = await tx.select().from(sites).where(eq(sites.id, params.id)).for('no key update')
      if (!before) throw notFound('site')
      await refuseStale(tx, 'site', before.id, before.version, body.version, before)
      const [row] = await tx
        .update(sites)
        .set({
          name: body.name,
          zone: body.zone,
          hertz: body.hertz,
          units: body.units,
          paper: body.paper,
          weekStart: body.weekStart,
          version: before.version + 1,
        })
        .where(eq(sites.id, params.id))
        .returning()
      if (!row) throw notFound('site')
      await record(tx, {
        ...who(person),
        at: deps.now(),
        what: 'site changed',
        entity: 'site',
        entityId: row.id,
        before,
        after: row,
      })
      await refreshWhere(tx, 'siteId', row.id)
      return row
    }),
  )

  mount(router, deps, endpoints.addArea, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      const [row] = await tx.insert(areas).values(body).returning()
      if (!row) throw notFound('area')
      await record(tx, {
        ...who(person),
        at: deps.now(),
        what: 'area added',
        entity: 'area',
        entityId: row.id,
        after: body,
      })
      return row
    }),
  )

  mount(router, deps, endpoints.editArea, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const [before] = await tx.select().from(areas).where(eq(areas.id, params.id)).for('no key update')
      if (!before) throw notFound('area')
      await refuseStale(tx, 'area', before.id, before.version, body.version, before)
      if (body.siteId !== before.siteId) throw fieldProblem('siteId', 'an area cannot move to another site')
      const [row] = await tx
        .update(areas)
        .set({ name: body.name, kind: body.kind, version: before.version + 1 })
        .where(eq(areas.id, params.id))
        .returning()
      if (!row) throw notFound('area')
      await record(tx, {
        ...who(person),
        at: deps.now(),
        what: 'area changed',
        entity: 'area',
        entityId: row.id,
        before,
        after: row,
      })
      await refreshWhere(tx, 'areaId', row.id)
      return row
    }),
  )

  mount(router, deps, endpoints.addUnit, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      const area = await areaOf(tx, body.areaId)
      const [row] = await tx
        .insert(units)
        .values({ ...body, siteId: area.siteId })
        .returning()
      if (!row) throw notFound('unit')
      await record(tx, {
        ...who(person),
        at: deps.now(),
        what: 'unit added',
        entity: 'unit',
        entityId: row.id,
        after: body,
      })
      return asUnit(row)
    }),
  )

  mount(router, deps, endpoints.editUnit, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const [before] = await tx.select().from(units).where(eq(units.id, params.id)).for('no key update')
      if (!before) throw notFound('unit')
      await refuseStale(tx, 'unit', before.id, before.version, body.version, before)
      const area = await areaOf(tx, body.areaId)
      if (area.siteId !== before.siteId) throw fieldProblem('areaId', 'a unit cannot move to another site')
      const [row] = await tx
        .update(units)
        .set({
          areaId: body.areaId,
          tag: body.tag,
          kind: body.kind,
          modelLine: body.modelLine,
          ...(body.care ? { care: body.care } : {}),
          version: before.version + 1,
        })
        .where(eq(units.id, params.id))
        .returning()
      if (!row) throw notFound('unit')
      await record(tx, {
        ...who(person),
        at: deps.now(),
        what: 'unit changed',
        entity: 'unit',
        entityId: row.id,
        before,
        after: row,
      })
      await refreshWhere(tx, 'unitId', row.id)
      return asUnit(row)
    }),
  )
}

/** A unit as it crosses the wire; older rows gain new fields. */
export const asUnit = (u: typeof units.$inferSelect): Unit => ({
  ...u,
  kind: unitKind(u.kind),
  care: care.parse(u.care),
})

/** The kind of a unit as the contract knows it. */
export const unitKind = (text: string): (typeof unitKinds)[number] => unitKinds.find((k) => k === text) ?? 'other'

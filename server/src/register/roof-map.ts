import { roofMap, endpoints, type RoofMapPage } from '@motor-round/contract'
import { blankMap, type RoofMap, type Box } from '@motor-round/core/round'
import { and, asc, eq, isNull, ne } from 'drizzle-orm'
import type { Router } from 'express'
import { record, wasMade } from '../audit/record.ts'
import type { Db, Tx } from '../db/client.ts'
import { roofMaps, mapPictures } from '../db/rounds-schema.ts'
import { areas, machines, machineStates, sites, units } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { fieldProblem, notFound } from '../http/problem.ts'
import { refuseStale } from './edit.ts'
import { unitKind } from './places.ts'
import { authorOf, type Author } from '../machine/command.ts'

/** Units that nobody has placed yet stand in rows, so that there is something to drag. */
function laidOut(map: RoofMap, unitIds: readonly string[]): RoofMap {
  const fresh = unitIds.filter((id) => !map.units[id])
  if (fresh.length === 0) return map
  const columns = Math.max(1, Math.floor((map.width - 4) / 6))
  const boxes: Record<string, Box> = {}
  fresh.forEach((id, i) => {
    boxes[id] = { x: 3 + (i % columns) * 6, y: Math.min(map.depth - 3, 3 + Math.floor(i / columns) * 5), w: 3, h: 2 }
  })
  return { ...map, units: { ...map.units, ...boxes } }
}

/** The plan of an area as it is drawn, units that left it taken out. */
export async function mapOfArea(db: Db | Tx, areaId: string): Promise<{ map: RoofMap; version: number }> {
  const [row] = await db.select().from(roofMaps).where(eq(roofMaps.areaId, areaId))
  const here = await db.select({ id: units.id }).from(units).where(eq(units.areaId, areaId)).orderBy(asc(units.tag))
  const map = row ? roofMap.parse(row.map) : blankMap
  const own = Object.fromEntries(Object.entries(map.units).filter(([id]) => here.some((u) => u.id === id)))
  return {
    map: laidOut(
      { ...map, units: own },
      here.map((u) => u.id),
    ),
    version: row?.version ?? 0,
  }
}

async function pageOf(db: Db | Tx, areaId: string): Promise<RoofMapPage> {
  const [area] = await db
    .select({ id: areas.id, siteId: areas.siteId, name: areas.name, kind: areas.kind, siteName: sites.name })
    .from(areas)
    .innerJoin(sites, eq(sites.id, areas.siteId))
    .where(eq(areas.id, areaId))
  if (!area) throw notFound('area')
  const rows = await db
    .select({
      unitId: units.id,
      unitTag: units.tag,
      kind: units.kind,
      id: machines.id,
      tag: machines.tag,
      level: machineStates.level,
      load: machineStates.load,
    })
    .from(units)
    .leftJoin(machines, and(eq(machines.unitId, units.id), isNull(machines.retiredAt)))
    .leftJoin(machineStates, eq(machineStates.machineId, machines.id))
    .where(eq(units.areaId, areaId))
    .orderBy(asc(units.tag), asc(machines.tag))
  const list = new Map<string, RoofMapPage['units'][number]>()
  for (const r of rows) {
    const unit = list.get(r.unitId) ?? { id: r.unitId, tag: r.unitTag, kind: unitKind(r.kind), machines: [] }
    if (r.id !== null && r.tag !== null) unit.machines.push({ id: r.id, tag: r.tag, level: r.level, load: r.load })
    list.set(r.unitId, unit)
  }
  return {
    area,
    ...(await mapOfArea(db, areaId)),
    units: [...list.values()],
    areas: await db
      .select({ id: areas.id, name: areas.name })
      .from(areas)
      .where(and(eq(areas.siteId, area.siteId), ne(areas.id, areaId)))
      .orderBy(asc(areas.name)),
  }
}

/**
 * Draw a plan. With an id of its own, as a phone brings it, the same change is made once.
 * @returns false when it was made already
 * @throws a problem: no such area, unit or picture, or a version that is not the one it was begun from (409 with the plan)
 */
export async function keepRoofMap(
  tx: Tx,
  areaId: string,
  body: { readonly version: number; readonly map: RoofMap; readonly changeId?: string | undefined },
  author: Author,
): Promise<boolean> {
  const [area] = await tx.select().from(areas).where(eq(areas.id, areaId)).for('no key update')
  if (!area) throw notFound('area')
  if (body.changeId !== undefined && (await wasMade(tx, body.changeId))) return false
  const before = await mapOfArea(tx, area.id)
  await refuseStale(tx, 'map', area.id, before.version, body.version, before)
  const here = new Set(
    (await tx.select({ id: units.id }).from(units).where(eq(units.areaId, area.id))).map((u) => u.id),
  )
  for (const id of Object.keys(body.map.units))
    if (!here.has(id)) throw fieldProblem(`map.units.${id}`, 'no such unit in this area')
  const under = body.map.underlay
  if (under) {
    const [picture] = await tx
      .select({ areaId: mapPictures.areaId })
      .from(mapPictures)
      .where(eq(mapPictures.id, under.id))
    if (picture?.areaId !== area.id) throw fieldProblem('map.underlay.id', 'no such photo of this area')
  }
  const row = { map: body.map, version: before.version + 1 }
  await tx
    .insert(roofMaps)
    .values({ areaId: area.id, ...row })
    .onConflictDoUpdate({ target: roofMaps.areaId, set: row })
  await record(tx, {
    by: author.by,
    byId: author.byId,
    at: author.now,
    what: 'roof map changed',
    entity: 'roof map',
    entityId: area.id,
    before: before.version === 0 ? {} : before.map,
    after: body.map,
    ...(body.changeId === undefined ? {} : { changeId: body.changeId }),
  })
  return true
}

/** Plans of roofs and rooms. */
export function roofMapRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.roofMap, ({ params }) => pageOf(deps.db, params.id))

  mount(router, deps, endpoints.editRoofMap, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      await keepRoofMap(tx, params.id, body, authorOf(person, deps.now()))
      return pageOf(tx, params.id)
    }),
  )
}

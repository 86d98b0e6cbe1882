import { driveLayout, endpoints, type AirMover } from '@motor-round/contract'
import { asc, eq, and, isNull, sql } from 'drizzle-orm'
import type { Router } from 'express'
import { areas, machines, machineStates, sites, units } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { notFound } from '../http/problem.ts'
import { iso } from '../machine/snapshot.ts'

/** What a fan's air is where nobody said: by the kind of its unit, a return fan's air stays inside. */
const usualAir = (kind: string, tag: string): AirMover['air'] =>
  kind === 'EF'
    ? 'exhaust'
    : kind === 'MAU'
      ? 'make-up'
      : /^RF/i.test(tag) || kind === 'condenser'
        ? 'inside'
        : 'supply'

interface Read extends Record<string, unknown> {
  machine_id: string
  value: number
  taken_at: Date | string
}

/** The air of an area: its fans, what each is to the building, and what each moves. */
export function areaAirRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.areaAir, async ({ params }) => {
    const [area] = await deps.db
      .select({ name: areas.name, siteId: areas.siteId, siteName: sites.name, units: sites.units })
      .from(areas)
      .innerJoin(sites, eq(sites.id, areas.siteId))
      .where(eq(areas.id, params.id))
    if (!area) throw notFound('area')
    const rows = await deps.db
      .select({ machine: machines, unit: units, state: machineStates })
      .from(machines)
      .innerJoin(units, eq(units.id, machines.unitId))
      .innerJoin(machineStates, eq(machineStates.machineId, machines.id))
      .where(and(eq(units.areaId, params.id), isNull(machines.retiredAt)))
      .orderBy(asc(machineStates.sortKey))
    const ids = sql.param(rows.map((r) => r.machine.id))
    const read = await deps.db.execute<Read>(sql`
      select distinct on (r.machine_id) r.machine_id, r.value, r.taken_at
      from readings r
      left join supersessions x on x.old_visit_id = r.visit_id
      where r.site_id = ${area.siteId} and r.machine_id = any(${ids}::uuid[]) and r.quantity = 'air_flow' and x.old_visit_id is null
      order by r.machine_id, r.taken_at desc`)
    const flows = new Map(read.rows.map((r) => [r.machine_id, r]))
    return {
      areaName: area.name,
      siteName: area.siteName,
      units: area.units,
      movers: rows.map(({ machine, unit, state }): AirMover => {
        const layout = driveLayout.parse(machine.layout)
        const flow = flows.get(machine.id)
        return {
          machineId: machine.id,
          unitTag: unit.tag,
          tag: machine.tag,
          purpose: machine.purpose,
          air: layout.air ?? usualAir(unit.kind, machine.tag),
          outsideShare: layout.outsideShare,
          flow: flow ? Number(flow.value) : null,
          at: flow ? iso(flow.taken_at) : null,
          level: state.level,
          headline: state.headline,
        }
      }),
    }
  })
}

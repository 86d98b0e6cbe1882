import { endpoints, type MachineRow } from '@motor-round/contract'
import { and, asc, count, desc, eq, inArray, like, sql, type SQL } from 'drizzle-orm'
import type { Router } from 'express'
import { areas, machines, machineStates as state, sites, units } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'

const needs = { stop: 4, fix: 3, watch: 2, 'not judged': 1, ok: 0 } as const

const orders: Record<'need' | 'tag' | 'seen' | 'load', SQL[]> = {
  need: [desc(state.need), sql`${state.dueAt} asc nulls first`, asc(state.sortKey)],
  tag: [asc(state.sortKey)],
  seen: [sql`${state.seenAt} asc nulls first`, asc(state.sortKey)],
  load: [sql`${state.load} desc nulls last`, asc(state.sortKey)],
}

/** What is typed into a search box, as a pattern that means itself. */
export const likePattern = (q: string): string => `%${q.toLowerCase().replace(/[\\%_]/g, (c) => `\\${c}`)}%`

/** The Roof: every machine in service, worst first. */
export function machineListRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.machineList, async ({ query }) => {
    const wide = and(
      eq(state.retired, false),
      query.site === undefined ? undefined : eq(state.siteId, query.site),
      query.area === undefined ? undefined : eq(state.areaId, query.area),
      query.q === undefined || query.q === '' ? undefined : like(state.words, likePattern(query.q)),
    )
    const narrow =
      query.level && query.level.length > 0
        ? and(
            wide,
            inArray(
              state.need,
              query.level.map((l) => needs[l]),
            ),
          )
        : wide
    const counted = await deps.db
      .select({
        need: state.need,
        n: count(),
        overdue: sql<string>`count(*) filter (where ${state.dueAt} < ${deps.now().toISOString()}::timestamptz)`,
      })
      .from(state)
      .where(wide)
      .groupBy(state.need)
    const of = (need: number) => counted.find((c) => c.need === need)?.n ?? 0
    const rows = await deps.db
      .select({
        machineId: state.machineId,
        siteId: state.siteId,
        areaId: state.areaId,
        unitTag: units.tag,
        tag: machines.tag,
        purpose: machines.purpose,
        siteName: sites.name,
        areaName: areas.name,
        level: state.level,
        headline: state.headline,
        conditions: state.conditions,
        found: state.found,
        confidence: state.confidence,
        rail: state.rail,
        meanVolts: state.meanVolts,
        spark: state.spark,
        seenAt: state.seenAt,
        dueAt: state.dueAt,
      })
      .from(state)
      .innerJoin(machines, eq(machines.id, state.machineId))
      .innerJoin(units, eq(units.id, machines.unitId))
      .innerJoin(sites, eq(sites.id, state.siteId))
      .innerJoin(areas, eq(areas.id, state.areaId))
      .where(narrow)
      .orderBy(...orders[query.sort])
      .offset(query.offset)
      .limit(query.limit)
    const total = (query.level?.length ? query.level : (Object.keys(needs) as (keyof typeof needs)[])).reduce(
      (sum, l) => sum + of(needs[l]),
      0,
    )
    return {
      rows: rows.map((r): MachineRow => ({
        ...r,
        headline: r.headline ?? '',
        found: r.found ?? null,
        confidence: r.confidence ?? 'full',
        seenAt: r.seenAt?.toISOString() ?? null,
        dueAt: r.dueAt?.toISOString() ?? null,
      })),
      total,
      counts: {
        stop: of(4),
        fix: of(3),
        watch: of(2),
        'not judged': of(1),
        ok: of(0),
        overdue: counted.reduce((sum, c) => sum + Number(c.overdue), 0),
      },
    }
  })
}

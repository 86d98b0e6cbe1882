import type { endpoints, MachineRow, QueryOf } from '@motor-round/contract'
import { and, asc, desc, eq, inArray, like, sql, type SQL } from 'drizzle-orm'
import { areas, machines, machineStates as state, sites, units } from '../db/schema.ts'
import type { Deps } from '../deps.ts'

export const needs = { stop: 4, fix: 3, watch: 2, 'not judged': 1, ok: 0 } as const

const orders: Record<'need' | 'tag' | 'seen' | 'load', SQL[]> = {
  need: [desc(state.need), sql`${state.dueAt} asc nulls first`, asc(state.sortKey)],
  tag: [asc(state.sortKey)],
  seen: [sql`${state.seenAt} asc nulls first`, asc(state.sortKey)],
  load: [sql`${state.load} desc nulls last`, asc(state.sortKey)],
}

/** What is typed into a search box, as a pattern that means itself. */
export const likePattern = (q: string): string => `%${q.toLowerCase().replace(/[\\%_]/g, (c) => `\\${c}`)}%`

type Asked = Pick<QueryOf<typeof endpoints.machineList>, 'site' | 'area' | 'level' | 'q'>

/** Machines in service of a place and a search, and those of them that have one of the levels. */
export function machinesWhere(query: Asked): { readonly wide: SQL | undefined; readonly narrow: SQL | undefined } {
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
  return { wide, narrow }
}

/** Rows of the machines list, in the order asked for. */
export async function machineRows(
  deps: Deps,
  narrow: SQL | undefined,
  sort: keyof typeof orders,
  offset: number,
  limit: number,
): Promise<MachineRow[]> {
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
    .orderBy(...orders[sort])
    .offset(offset)
    .limit(limit)
  return rows.map((r): MachineRow => ({
    ...r,
    headline: r.headline ?? '',
    found: r.found ?? null,
    confidence: r.confidence ?? 'full',
    seenAt: r.seenAt?.toISOString() ?? null,
    dueAt: r.dueAt?.toISOString() ?? null,
  }))
}

import type { endpoints, MachineRow, QueryOf } from '@motor-round/contract'
import { and, asc, count, desc, sql, type SQL } from 'drizzle-orm'
import type { Db } from '../db/client.ts'
import { prepared } from '../db/prepared.ts'
import { machineStates as state } from '../db/schema.ts'
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

/** Which machines are asked for. */
export interface Machines {
  /** Names the filters that are set: with these it is always the same statement. */
  readonly key: string
  /** In service, at that place, found by that search. */
  readonly wide: SQL | undefined
  /** Of these, those that have one of the levels. */
  readonly narrow: SQL | undefined
  /** What the statement is given. */
  readonly values: Record<string, unknown>
}

/** Machines in service of a place and a search, and those of them that have one of the levels. */
export function machinesWhere({ site, area, q = '', level = [] }: Asked): Machines {
  const given = sql.placeholder
  const filters = {
    site: site === undefined ? undefined : sql`${state.siteId} = ${given('site')}::uuid`,
    area: area === undefined ? undefined : sql`${state.areaId} = ${given('area')}::uuid`,
    q: q === '' ? undefined : sql`${state.words} like ${given('q')}::text`,
  }
  // As the indexes have it.
  const wide = and(sql`not ${state.retired}`, ...Object.values(filters))
  const ofLevel = level.length === 0 ? undefined : sql`${state.need} = any(${given('needs')}::int[])`
  const set = Object.entries({ ...filters, level: ofLevel }).filter(([, filter]) => filter !== undefined)
  return {
    key: set.map(([name]) => name).join('_'),
    wide,
    narrow: and(wide, ofLevel),
    values: { site, area, q: likePattern(q), needs: level.map((l) => needs[l]) },
  }
}

/** Rows of the machines list, in the order asked for, each as JSON text. */
export async function writtenRows(
  { db }: Pick<Deps, 'db'>,
  asked: Machines,
  sort: keyof typeof orders,
  offset: number,
  limit: number,
): Promise<string[]> {
  const name = `machine_rows_${sort}_${asked.key}`
  const statement = prepared(db, name, () => rowsOf(db, asked.narrow, sort).prepare(name))
  const rows = await statement.execute({ ...asked.values, offset, limit })
  return rows.map((r) => r.shown)
}

/** The same rows as records. */
export const machineRows = async (...asked: Parameters<typeof writtenRows>): Promise<MachineRow[]> =>
  (await writtenRows(...asked)).map((text) => JSON.parse(text) as MachineRow)

const rowsOf = (db: Db, narrow: SQL | undefined, sort: keyof typeof orders) =>
  db
    .select({ shown: state.shown })
    .from(state)
    .where(narrow)
    .orderBy(...orders[sort])
    .offset(sql.placeholder('offset'))
    .limit(sql.placeholder('limit'))

/** How many machines have which level, and how many of them are overdue. */
export async function machineCounts({ db }: Pick<Deps, 'db'>, asked: Machines, now: Date) {
  const name = `machine_counts_${asked.key}`
  const statement = prepared(db, name, () =>
    db
      .select({
        need: state.need,
        n: count(),
        overdue: sql`count(*) filter (where ${state.dueAt} < ${sql.placeholder('now')}::timestamptz)`.mapWith(Number),
      })
      .from(state)
      .where(asked.wide)
      .groupBy(state.need)
      .prepare(name),
  )
  return statement.execute({ ...asked.values, now: now.toISOString() })
}

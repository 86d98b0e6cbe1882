import { endpoints } from '@motor-round/contract'
import { count, sql } from 'drizzle-orm'
import type { Router } from 'express'
import { machineStates as state } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { machineRows, machinesWhere, needs } from './rows.ts'

/** The Roof: every machine in service, worst first. */
export function machineListRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.machineList, async ({ query }) => {
    const { wide, narrow } = machinesWhere(query)
    const counting = deps.db
      .select({
        need: state.need,
        n: count(),
        overdue: sql<string>`count(*) filter (where ${state.dueAt} < ${deps.now().toISOString()}::timestamptz)`,
      })
      .from(state)
      .where(wide)
      .groupBy(state.need)
    const [counted, rows] = await Promise.all([
      counting,
      machineRows(deps, narrow, query.sort, query.offset, query.limit),
    ])
    const of = (need: number) => counted.find((c) => c.need === need)?.n ?? 0
    const total = (query.level?.length ? query.level : (Object.keys(needs) as (keyof typeof needs)[])).reduce(
      (sum, l) => sum + of(needs[l]),
      0,
    )
    return {
      rows,
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

import { endpoints, type MachineListPage } from '@motor-round/contract'
import { Written } from '../http/written.ts'
import type { Router } from 'express'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { machineCounts, writtenRows, machinesWhere, needs } from './rows.ts'

/** The Roof: every machine in service, worst first. */
export function machineListRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.machineList, async ({ query }) => {
    const asked = machinesWhere(query)
    const [counted, rows] = await Promise.all([
      machineCounts(deps, asked, deps.now()),
      writtenRows(deps, asked, query.sort, query.offset, query.limit),
    ])
    const of = (need: number) => counted.find((c) => c.need === need)?.n ?? 0
    const total = (query.level?.length ? query.level : (Object.keys(needs) as (keyof typeof needs)[])).reduce(
      (sum, l) => sum + of(needs[l]),
      0,
    )
    const rest: Omit<MachineListPage, 'rows'> = {
      total,
      counts: {
        stop: of(4),
        fix: of(3),
        watch: of(2),
        'not judged': of(1),
        ok: of(0),
        overdue: counted.reduce((sum, c) => sum + c.overdue, 0),
      },
    }
    return new Written(`{"rows":[${rows.join(',')}],${JSON.stringify(rest).slice(1)}`)
  })
}

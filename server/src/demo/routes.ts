import { endpoints } from '@motor-round/contract'
import { demoOrganization } from '@motor-round/demo'
import type { Router } from 'express'
import { record, who } from '../audit/record.ts'
import { machines } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { HttpProblem } from '../http/problem.ts'
import { applyOrganization } from '../import-export/organization/apply.ts'
import { inMemory } from '../import-export/organization/source.ts'
import { keepDemoLive } from '../live/demo.ts'
import { refreshMany } from '../machine/refresh.ts'

/** The demo for a lead who wants to look around: only into a database that holds no machine yet. */
export function demoRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.loadDemo, ({ person }) =>
    deps.db.transaction(async (tx) => {
      // Two at once would each find it empty.
      await tx.execute('lock table machines in share row exclusive mode')
      const [one] = await tx.select({ id: machines.id }).from(machines).limit(1)
      if (one) throw new HttpProblem(409, 'There are machines already: the demo is for an empty database.')
      const file = demoOrganization(deps.now())
      const added = await applyOrganization(tx, inMemory(file), false)
      await keepDemoLive(tx, file, deps.now())
      await refreshMany(tx, added.machines)
      await record(tx, {
        ...who(person),
        at: deps.now(),
        what: 'demo loaded',
        entity: 'organization',
        entityId: null,
        after: { machines: file.machines.length },
      })
      return { machines: file.machines.length, sites: file.sites.length }
    }),
  )
}

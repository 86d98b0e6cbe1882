import { endpoints } from '@motor-round/contract'
import { eq } from 'drizzle-orm'
import type { Router } from 'express'
import { v7 as uuid } from 'uuid'
import { plans } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { HttpProblem, notFound } from '../http/problem.ts'
import { keepPlan, keepPlanDone, knownOf } from './keep.ts'
import { asPlan, donePlans, lockPlan } from './plans.ts'

/** Changes of speed from the bench: planned, done or dropped, and what came of them. */
export function planRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.plans, () => donePlans(deps.db))

  mount(router, deps, endpoints.makePlan, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      const { row, known } = await keepPlan(tx, body, person.name, deps.now())
      return asPlan(row, known)
    }),
  )

  mount(router, deps, endpoints.doPlan, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const { workId, ...how } = body
      const doing = { ...how, id: workId, beltsId: uuid() }
      const { row, known } = await keepPlanDone(tx, params.id, doing, person.name, deps.now())
      return asPlan(row, known)
    }),
  )

  mount(router, deps, endpoints.dropPlan, ({ params, body }) =>
    deps.db.transaction(async (tx) => {
      const row = await lockPlan(tx, params.id)
      if (!row) throw notFound('plan')
      if (row.doneAt) throw new HttpProblem(409, 'That speed change was done.')
      const [after] = await tx
        .update(plans)
        .set({ droppedAt: deps.now(), droppedWhy: body.why })
        .where(eq(plans.id, row.id))
        .returning()
      if (!after) throw notFound('plan')
      return asPlan(after, await knownOf(tx, row.machineId))
    }),
  )
}

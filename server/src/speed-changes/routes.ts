import { endpoints } from '@motor-round/contract'
import { eq } from 'drizzle-orm'
import type { Router } from 'express'
import { v7 as uuid } from 'uuid'
import { speedChanges } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { HttpProblem, notFound } from '../http/problem.ts'
import { keepSpeedChange, keepSpeedChangeDone, snapshotOf } from './keep.ts'
import { asSpeedChange, doneSpeedChanges, lockSpeedChange } from './speed-changes.ts'
import { authorOf } from '../machine/command.ts'

/** Speed changes: planned, done or canceled, and what came of them. */
export function speedChangeRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.speedChanges, () => doneSpeedChanges(deps.db))

  mount(router, deps, endpoints.addSpeedChange, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      const { value } = await keepSpeedChange(tx, body, authorOf(person, deps.now()))
      return asSpeedChange(value.row, value.known)
    }),
  )

  mount(router, deps, endpoints.finishSpeedChange, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const { workId, ...how } = body
      const doing = { ...how, id: workId, beltsId: uuid() }
      const { value } = await keepSpeedChangeDone(tx, params.id, doing, authorOf(person, deps.now()))
      return asSpeedChange(value.row, value.known)
    }),
  )

  mount(router, deps, endpoints.cancelSpeedChange, ({ params, body }) =>
    deps.db.transaction(async (tx) => {
      const row = await lockSpeedChange(tx, params.id)
      if (!row) throw notFound('speed-change')
      if (row.doneAt) throw new HttpProblem(409, 'That speed change was done.')
      const [after] = await tx
        .update(speedChanges)
        .set({ droppedAt: deps.now(), droppedWhy: body.why })
        .where(eq(speedChanges.id, row.id))
        .returning()
      if (!after) throw notFound('speed-change')
      return asSpeedChange(after, await snapshotOf(tx, row.machineId))
    }),
  )
}

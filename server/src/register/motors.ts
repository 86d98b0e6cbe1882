import { endpoints } from '@motor-round/contract'
import { and, eq } from 'drizzle-orm'
import type { Router } from 'express'
import { record } from '../audit/record.ts'
import { components, type MotorSpec } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { fieldProblem, notFound } from '../http/problem.ts'
import { asMotor } from '../roof/known.ts'
import { refresh } from '../roof/refresh.ts'
import { currentRules } from '../rules/current.ts'
import { refuseStale } from './edit.ts'
import { lockMachine } from './machines.ts'
import { fitInSlot } from './slot.ts'

/** Motors fitted in machines. Replacing one keeps the old in the slot's past. */
export function motorRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.fitMotor, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const machine = await lockMachine(tx, params.id)
      const { row, old, again } = await fitInSlot(
        tx,
        machine,
        {
          id: body.id,
          slot: 'motor',
          spec: { plate: body.plate, connectionVolts: body.connectionVolts },
          fittedAt: new Date(body.fittedAt),
          fittedBy: person.name,
          why: body.why,
          standIn: body.standIn,
        },
        body.removedWhy,
      )
      if (again) return asMotor(row)
      await record(tx, {
        by: person.name,
        at: deps.now(),
        what: old ? 'motor replaced' : 'motor entered',
        entity: 'motor',
        entityId: row.id,
        why: body.removedWhy,
        before: old ? asMotor(old).plate : {},
        after: body.plate,
      })
      await refresh(tx, [machine.id], await currentRules(tx))
      return asMotor(row)
    }),
  )

  mount(router, deps, endpoints.editMotor, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const [before] = await tx
        .select()
        .from(components)
        .where(and(eq(components.id, params.id), eq(components.slot, 'motor')))
        .for('update')
      if (!before) throw notFound('motor')
      await refuseStale(tx, 'motor', before.id, before.version, body.version, asMotor(before))
      const fittedAt = new Date(body.fittedAt)
      if (before.removedAt && fittedAt >= before.removedAt)
        throw fieldProblem('fittedAt', 'it was taken out before that')
      const spec: MotorSpec = { plate: body.plate, connectionVolts: body.connectionVolts }
      const [row] = await tx
        .update(components)
        .set({ spec, fittedAt, why: body.why, standIn: body.standIn, version: before.version + 1 })
        .where(eq(components.id, params.id))
        .returning()
      if (!row) throw notFound('motor')
      const told = (c: typeof before) => {
        const { plate, connectionVolts, fittedAt: at } = asMotor(c)
        return { ...plate, connectionVolts, fittedAt: at }
      }
      await record(tx, {
        by: person.name,
        at: deps.now(),
        what: 'plate corrected',
        entity: 'motor',
        entityId: row.id,
        before: told(before),
        after: told(row),
      })
      await refresh(tx, [row.machineId], await currentRules(tx))
      return asMotor(row)
    }),
  )
}

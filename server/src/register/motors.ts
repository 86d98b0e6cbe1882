import { endpoints } from '@motor-round/contract'
import { and, eq, isNull } from 'drizzle-orm'
import type { Router } from 'express'
import { record } from '../audit/record.ts'
import { components } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { fieldProblem, notFound } from '../http/problem.ts'
import { asMotor } from '../roof/known.ts'
import { refresh } from '../roof/refresh.ts'
import { currentRules } from '../rules/current.ts'
import { refuseStale } from './edit.ts'
import { lockMachine } from './machines.ts'

/** Motors fitted in machines. Replacing one keeps the old in the slot's past. */
export function motorRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.fitMotor, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const machine = await lockMachine(tx, params.id)
      const [again] = await tx.select().from(components).where(eq(components.id, body.id))
      if (again) return asMotor(again)
      const fittedAt = new Date(body.fittedAt)
      const [old] = await tx
        .select()
        .from(components)
        .where(and(eq(components.machineId, machine.id), eq(components.slot, 'motor'), isNull(components.removedAt)))
        .for('update')
      if (old && fittedAt <= old.fittedAt)
        throw fieldProblem(
          'fittedAt',
          `the motor in place was fitted on ${old.fittedAt.toISOString().slice(0, 10)}; the new one comes after it`,
        )
      if (old)
        await tx
          .update(components)
          .set({ removedAt: fittedAt, removedWhy: body.removedWhy, version: old.version + 1 })
          .where(eq(components.id, old.id))
      const [row] = await tx
        .insert(components)
        .values({
          id: body.id,
          siteId: machine.siteId,
          machineId: machine.id,
          slot: 'motor',
          spec: { plate: body.plate, connectionVolts: body.connectionVolts },
          fittedAt,
          fittedBy: person.name,
          why: body.why,
          standIn: body.standIn,
          removedWhy: '',
        })
        .returning()
      if (!row) throw notFound('motor')
      await record(tx, {
        by: person.name,
        at: deps.now(),
        what: old ? 'motor replaced' : 'motor entered',
        entity: 'motor',
        entityId: row.id,
        why: body.removedWhy,
        before: old ? old.spec.plate : {},
        after: body.plate,
      })
      await refresh(tx, [machine.id], await currentRules(tx))
      return asMotor(row)
    }),
  )

  mount(router, deps, endpoints.editMotor, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const [before] = await tx.select().from(components).where(eq(components.id, params.id)).for('update')
      if (!before) throw notFound('motor')
      await refuseStale(tx, 'motor', before.id, before.version, body.version, asMotor(before))
      const fittedAt = new Date(body.fittedAt)
      if (before.removedAt && fittedAt >= before.removedAt)
        throw fieldProblem('fittedAt', 'it was taken out before that')
      const [row] = await tx
        .update(components)
        .set({
          spec: { plate: body.plate, connectionVolts: body.connectionVolts },
          fittedAt,
          why: body.why,
          standIn: body.standIn,
          version: before.version + 1,
        })
        .where(eq(components.id, params.id))
        .returning()
      if (!row) throw notFound('motor')
      await record(tx, {
        by: person.name,
        at: deps.now(),
        what: 'plate corrected',
        entity: 'motor',
        entityId: row.id,
        before: {
          ...before.spec.plate,
          connectionVolts: before.spec.connectionVolts,
          fittedAt: before.fittedAt.toISOString(),
        },
        after: { ...row.spec.plate, connectionVolts: row.spec.connectionVolts, fittedAt: row.fittedAt.toISOString() },
      })
      await refresh(tx, [row.machineId], await currentRules(tx))
      return asMotor(row)
    }),
  )
}

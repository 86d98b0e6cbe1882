import { endpoints, houseRules, toHouseRules } from '@motor-round/contract'
import { eq } from 'drizzle-orm'
import type { Router } from 'express'
import { record } from '../audit/record.ts'
import { organisation } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { HttpProblem, notFound } from '../http/problem.ts'
import { refreshAll } from '../roof/refresh.ts'
import { effectOf } from './effect.ts'

const asInForce = (row: typeof organisation.$inferSelect) => ({
  rules: houseRules.parse(row.rules),
  version: row.rulesVersion,
  changedBy: row.rulesBy,
  changedAt: row.rulesAt?.toISOString() ?? null,
})

/** House rules: read by everyone, changed by a lead with a reason; a change judges every machine again. */
export function rulesRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.rules, async () => {
    const [row] = await deps.db.select().from(organisation)
    if (!row) throw notFound('organisation')
    return asInForce(row)
  })

  mount(router, deps, endpoints.rulesEffect, ({ body }) => effectOf(deps.db, toHouseRules(body.rules)))

  mount(router, deps, endpoints.editRules, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      const [before] = await tx.select().from(organisation).for('update')
      if (!before) throw notFound('organisation')
      if (before.rulesVersion !== body.version)
        throw new HttpProblem(409, `${before.rulesBy ?? 'Someone'} changed the limits in the meantime.`, {
          current: asInForce(before),
        })
      const [after] = await tx
        .update(organisation)
        .set({ rules: body.rules, rulesVersion: before.rulesVersion + 1, rulesBy: person.name, rulesAt: deps.now() })
        .where(eq(organisation.id, before.id))
        .returning()
      if (!after) throw notFound('organisation')
      const flat = (r: unknown) => {
        const { limits, ...rest } = houseRules.parse(r)
        return { ...rest, ...limits }
      }
      await record(tx, {
        by: person.name,
        at: deps.now(),
        what: 'limits changed',
        entity: 'rules',
        entityId: null,
        why: body.why,
        before: flat(before.rules),
        after: flat(after.rules),
      })
      await refreshAll(tx)
      return asInForce(after)
    }),
  )
}

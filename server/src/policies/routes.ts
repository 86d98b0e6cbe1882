import { endpoints, policies, toPolicies } from '@motor-round/contract'
import { eq } from 'drizzle-orm'
import type { Router } from 'express'
import { record, who } from '../audit/record.ts'
import { organization } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { HttpProblem, notFound } from '../http/problem.ts'
import { refreshAll } from '../machine/refresh.ts'
import { effectOf } from './effect.ts'

const asInForce = (row: typeof organization.$inferSelect) => ({
  policies: policies.parse(row.policies),
  version: row.policiesVersion,
  changedBy: row.policiesBy,
  changedAt: row.policiesAt?.toISOString() ?? null,
})

/** Policies: read by everyone, changed by a lead with a reason; a change judges every machine again. */
export function policiesRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.policies, async () => {
    const [row] = await deps.db.select().from(organization)
    if (!row) throw notFound('organization')
    return asInForce(row)
  })

  mount(router, deps, endpoints.policiesEffect, ({ body }) => effectOf(deps.db, toPolicies(body.policies)))

  mount(router, deps, endpoints.editPolicies, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      const [before] = await tx.select().from(organization).for('no key update')
      if (!before) throw notFound('organization')
      if (before.policiesVersion !== body.version)
        throw new HttpProblem(409, `${before.policiesBy ?? 'Someone'} changed the limits in the meantime.`, {
          current: asInForce(before),
        })
      const [after] = await tx
        .update(organization)
        .set({
          policies: body.policies,
          policiesVersion: before.policiesVersion + 1,
          policiesBy: person.name,
          policiesAt: deps.now(),
        })
        .where(eq(organization.id, before.id))
        .returning()
      if (!after) throw notFound('organization')
      const flat = (r: unknown) => {
        const { limits, ...rest } = policies.parse(r)
        return { ...rest, ...limits }
      }
      await record(tx, {
        ...who(person),
        at: deps.now(),
        what: 'limits changed',
        entity: 'policies',
        entityId: null,
        why: body.why,
        before: flat(before.policies),
        after: flat(after.policies),
      })
      await refreshAll(tx)
      return asInForce(after)
    }),
  )
}

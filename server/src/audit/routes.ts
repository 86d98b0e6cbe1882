import { endpoints } from '@motor-round/contract'
import { and, desc, eq } from 'drizzle-orm'
import type { Router } from 'express'
import { audit } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'

/** Who changed what. */
export function auditRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.audit, async ({ query }) => {
    const rows = await deps.db
      .select()
      .from(audit)
      .where(
        and(
          query.entity === undefined ? undefined : eq(audit.entity, query.entity),
          query.id === undefined ? undefined : eq(audit.entityId, query.id),
        ),
      )
      .orderBy(desc(audit.at), desc(audit.id))
      .limit(query.limit)
    return rows.map((r) => ({ ...r, at: r.at.toISOString() }))
  })
}

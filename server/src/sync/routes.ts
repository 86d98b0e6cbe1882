import { endpoints } from '@motor-round/contract'
import type { Router } from 'express'
import { organization } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { applyBatch } from './apply.ts'

/** Devices that sync. */
export function syncRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.sync, async ({ body, person }) => {
    const results = await applyBatch(deps, body.mutations, person)
    const [org] = await deps.db.select({ version: organization.policiesVersion }).from(organization)
    return { results, now: deps.now().toISOString(), policiesVersion: org?.version ?? 0 }
  })
}

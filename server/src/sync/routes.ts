import { endpoints } from '@motor-round/contract'
import type { Router } from 'express'
import { organisation } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { bringHome } from './apply.ts'

/** Phones that come home. */
export function syncRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.sync, async ({ body, person }) => {
    const results = await bringHome(deps, body.entries, person)
    const [org] = await deps.db.select({ version: organisation.rulesVersion }).from(organisation)
    return { results, now: deps.now().toISOString(), rulesVersion: org?.version ?? 0 }
  })
}

import { jobEndpoints } from '@motor-round/contract'
import type { Router } from 'express'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { jobLines, paceOf } from './lines.ts'

/** Jobs of every site. */
export function jobsRoutes(router: Router, deps: Deps): void {
  mount(router, deps, jobEndpoints.jobs, async () => ({ jobs: await jobLines(deps) }))
  mount(router, deps, jobEndpoints.jobPace, () => paceOf(deps))
}

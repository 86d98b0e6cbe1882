import { endpoints } from '@motor-round/contract'
import type { Router } from 'express'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { keepStop, keepWork } from './keep.ts'

/** Stops and work: facts, kept once, never changed. */
export function stopRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.saveStop, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      const { stop, judgement, already } = await keepStop(tx, body, person, deps.now())
      return { stop, judgement, already }
    }),
  )
  mount(router, deps, endpoints.saveWork, ({ body, person }) =>
    deps.db.transaction(async (tx) => (await keepWork(tx, body, person, deps.now())).work),
  )
}

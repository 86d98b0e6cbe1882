import { endpoints } from '@motor-round/contract'
import type { Router } from 'express'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { keepVisit, keepWork } from './keep.ts'
import { authorOf } from '../machine/command.ts'

/** Stops and work: facts, kept once, never changed. */
export function visitRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.saveVisit, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      const { visit, judgement, already } = await keepVisit(tx, body, person, deps.now())
      return { visit, judgement, already }
    }),
  )
  mount(router, deps, endpoints.saveWork, ({ body, person }) =>
    deps.db.transaction(async (tx) => (await keepWork(tx, body, authorOf(person, deps.now()))).value),
  )
}

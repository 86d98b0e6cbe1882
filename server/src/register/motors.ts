import { endpoints } from '@motor-round/contract'
import type { Router } from 'express'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { asMotor } from '../machine/snapshot.ts'
import { keepMotor, keepPlate } from './keep-motor.ts'
import { authorOf } from '../machine/command.ts'

/** Motors installed in machines. Replacing one keeps the old in the slot's past. */
export function motorRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.installMotor, ({ params, body, person }) =>
    deps.db.transaction(async (tx) =>
      asMotor((await keepMotor(tx, { ...body, machineId: params.id }, authorOf(person, deps.now()))).value),
    ),
  )

  mount(router, deps, endpoints.editMotor, ({ params, body, person }) =>
    deps.db.transaction(async (tx) =>
      asMotor((await keepPlate(tx, params.id, body, authorOf(person, deps.now()))).value),
    ),
  )
}

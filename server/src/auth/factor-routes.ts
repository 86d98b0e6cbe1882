import { accountEndpoints, type Person } from '@motor-round/contract'
import { count, eq } from 'drizzle-orm'
import type { Router } from 'express'
import { record, who } from '../audit/record.ts'
import { recoveryCodes } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { fieldProblem, HttpProblem } from '../http/problem.ts'
import {
  addressOf,
  dropFactor,
  factorFits,
  hasFactor,
  newCodes,
  newSecret,
  openSecret,
  sealSecret,
  setFactor,
  stepOf,
} from './factor.ts'

/**
 * One’s own second factor.
 * @param spent counts a try; true where there are no more
 */
export function factorRoutes(router: Router, deps: Deps, spent: (key: string) => Promise<boolean>): void {
  const state = async (personId: string) => {
    const [left] = await deps.db.select({ n: count() }).from(recoveryCodes).where(eq(recoveryCodes.personId, personId))
    return { on: await hasFactor(deps.db, personId), left: left?.n ?? 0 }
  }
  const countTry = async (person: Person) => {
    if (await spent(`code ${person.id}`)) throw new HttpProblem(429, 'Too many attempts. Wait 15 minutes.')
  }

  mount(router, deps, accountEndpoints.secondFactor, ({ person }) => state(person.id))

  mount(router, deps, accountEndpoints.beginSecondFactor, ({ person, req }) => {
    const secret = newSecret()
    req.session.factor = sealSecret(deps, secret)
    return { secret, address: addressOf(secret, person.login) }
  })

  mount(router, deps, accountEndpoints.setSecondFactor, async ({ body, person, req }) => {
    await countTry(person)
    const sealed = req.session.factor
    const secret = sealed === undefined ? null : openSecret(deps, sealed)
    if (sealed === undefined || secret === null) throw new HttpProblem(409, 'Start again: scan a new code first.')
    const step = stepOf(secret, body.code, deps.now())
    if (step === null) throw fieldProblem('code', 'does not fit. Is the clock of the phone right?')
    const codes = newCodes()
    await deps.db.transaction(async (tx) => {
      await setFactor(tx, person.id, sealed, step, codes)
      const entry = { what: 'second factor turned on', entity: 'person', entityId: person.id }
      await record(tx, { ...who(person), at: deps.now(), ...entry })
    })
    delete req.session.factor
    deps.security.info({ event: 'second factor on', person: person.id, address: req.ip })
    return { codes }
  })

  mount(router, deps, accountEndpoints.dropSecondFactor, async ({ body, person, req }) => {
    await countTry(person)
    if (!(await hasFactor(deps.db, person.id))) throw new HttpProblem(409, 'It is off already.')
    if (!(await factorFits(deps, person.id, body.code))) throw fieldProblem('code', 'does not fit')
    await deps.db.transaction(async (tx) => {
      await dropFactor(tx, person.id)
      const entry = { what: 'second factor turned off', entity: 'person', entityId: person.id }
      await record(tx, { ...who(person), at: deps.now(), ...entry })
    })
    deps.security.info({ event: 'second factor off', person: person.id, address: req.ip })
    return state(person.id)
  })
}

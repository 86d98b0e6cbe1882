import { promisify } from 'node:util'
import { accountEndpoints, endpoints, type Person } from '@motor-round/contract'
import { eq } from 'drizzle-orm'
import type { Request, Router } from 'express'
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible'
import { v7 as uuid } from 'uuid'
import { prepared } from '../db/prepared.ts'
import { organization, people } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { fieldProblem, HttpProblem, notFound } from '../http/problem.ts'
import { record, who } from '../audit/record.ts'
import { findInvitation, lockFirst, useInvitation } from './invitations.ts'
import { endSessions, ownSessions } from './own-sessions.ts'
import { dropFactor, factorFits, hasFactor } from './factor.ts'
import { factorRoutes } from './factor-routes.ts'
import { fits, hashPassword } from './password.ts'
import { asPerson, cookieName, newToken } from './session.ts'
import { refuseWeak } from './strength.ts'

const regenerate = (req: Request) => promisify<void>((done) => req.session.regenerate(done))()
const save = (req: Request) => promisify<void>((done) => req.session.save(done))()
const destroy = (req: Request) => promisify<void>((done) => req.session.destroy(done))()

/** Tries at a name from one address in a quarter of an hour. */
const namePoints = 8
const slowMs = 2000

/** Count a try. @returns true where there are no more */
async function spent(limiter: RateLimiterPostgres, key: string): Promise<boolean> {
  try {
    await limiter.consume(key)
    return false
  } catch (e) {
    if (e instanceof RateLimiterRes) return true
    throw e
  }
}

/** Sign-in, sign-out, one-time links, and one’s own password and sessions. */
export function authRoutes(router: Router, deps: Deps): void {
  const limiter = (keyPrefix: string, points: number) =>
    new RateLimiterPostgres({
      storeClient: deps.pool,
      tableName: 'sign_in_tries',
      tableCreated: true,
      keyPrefix,
      points,
      duration: 15 * 60,
    })
  const byName = limiter('name', namePoints)
  const byAccount = limiter('account', 30)
  const byAddress = limiter('address', 60)

  const answer = async (person: Person | null, csrf: string) => {
    const named = prepared(deps.db, 'organization_name', () =>
      deps.db.select({ name: organization.name }).from(organization).prepare('organization_name'),
    )
    const [org] = await named.execute()
    return { person, csrf, organization: org?.name ?? '', now: deps.now().toISOString() }
  }
  const enter = async (req: Request, person: Person) => {
    await regenerate(req)
    req.session.personId = person.id
    req.session.csrf = newToken()
    req.session.startedAt = Date.now()
    req.session.confirmedAt = Date.now()
    req.session.agent = (req.get('user-agent') ?? '').slice(0, 200)
    await save(req)
    return answer(person, req.session.csrf)
  }

  mount(router, deps, endpoints.session, ({ person, req }) => answer(person, person ? (req.session.csrf ?? '') : ''))

  mount(router, deps, endpoints.signIn, async ({ body, req, res }) => {
    const login = body.login.trim().toLowerCase()
    const name = `${login} ${req.ip ?? ''}`
    const address = req.ip ?? ''
    // Counted before the password is looked at: many tries at once are many tries.
    if (await spent(byName, name)) {
      deps.security.warn({ event: 'sign-in refused', why: 'too many tries', address })
      res.set('retry-after', '900')
      throw new HttpProblem(429, 'Too many attempts. Wait 15 minutes, or ask a lead for a new link.')
    }
    // Guesses from many addresses, or at many names from one: slow, and nobody else is locked out by it.
    const many = await Promise.all([spent(byAccount, login), spent(byAddress, address)])
    if (many.includes(true)) await new Promise((go) => setTimeout(go, slowMs))
    const [row] = await deps.db.select().from(people).where(eq(people.login, login))
    const good = await fits(row?.disabledAt === null ? row.passwordHash : null, body.password)
    if (!good || !row) {
      // A name that is none may be a password in the wrong field: it is not written down.
      deps.security.warn({ event: 'sign-in refused', why: 'name or password', person: row?.id ?? null, address })
      throw new HttpProblem(401, 'Wrong name or password.')
    }
    if (await hasFactor(deps.db, row.id)) {
      if (body.code === undefined)
        throw new HttpProblem(401, 'Enter the code that your authenticator app shows.', { needs: 'code' })
      // From however many addresses: who comes this far knows the password.
      if (await spent(byName, `code ${row.id}`)) {
        deps.security.warn({ event: 'sign-in refused', why: 'too many codes', person: row.id, address })
        res.set('retry-after', '900')
        throw new HttpProblem(429, 'Too many attempts. Wait 15 minutes, or ask a lead for a new link.')
      }
      if (!(await factorFits(deps, row.id, body.code))) {
        deps.security.warn({ event: 'sign-in refused', why: 'code', person: row.id, address })
        throw new HttpProblem(401, 'That code does not fit. Wait for the next one, or enter a recovery code.', {
          needs: 'code',
        })
      }
      await byName.delete(`code ${row.id}`)
    }
    await Promise.all([byName.delete(name), byAccount.reward(login), byAddress.reward(address)])
    deps.security.info({ event: 'sign-in', person: row.id, address })
    return enter(req, asPerson(row))
  })

  mount(router, deps, endpoints.signOut, async ({ req, res, person }) => {
    await destroy(req)
    if (person) deps.security.info({ event: 'sign-out', person: person.id })
    res.clearCookie(cookieName(deps.config), { path: '/' })
    return answer(null, '')
  })

  mount(router, deps, endpoints.invitation, async ({ params }) => {
    const found = await findInvitation(deps.db, params.token, deps.now())
    if (!found) throw notFound('link, or it has been used or has run out; ask a lead for a new one')
    const [row] =
      found.personId === null ? [] : await deps.db.select().from(people).where(eq(people.id, found.personId))
    return { login: row?.login ?? null, name: row?.name ?? null, role: found.role }
  })

  mount(router, deps, endpoints.acceptInvitation, async ({ params, body, req }) => {
    // A link that is none costs no work.
    const link = await findInvitation(deps.db, params.token, deps.now())
    if (!link) throw notFound('link, or it has been used or has run out; ask a lead for a new one')
    const [known] =
      link.personId === null ? [] : await deps.db.select().from(people).where(eq(people.id, link.personId))
    refuseWeak('password', body.password, [
      known?.login ?? body.login ?? '',
      known?.name ?? body.name ?? '',
      body.organization ?? '',
    ])
    const passwordHash = await hashPassword(body.password)
    const person = await deps.db.transaction(async (tx) => {
      const found = await findInvitation(tx, params.token, deps.now())
      if (!found || !(await useInvitation(tx, params.token)))
        throw notFound('link, or it has been used or has run out; ask a lead for a new one')
      if (found.personId !== null) {
        const [row] = await tx.update(people).set({ passwordHash }).where(eq(people.id, found.personId)).returning()
        if (!row) throw notFound('person')
        // Whoever knew the old password is out.
        await endSessions(tx, row.id, null)
        // Who lost phone and codes gets in by a lead’s link, and sets a factor up anew.
        await dropFactor(tx, row.id)
        return asPerson(row)
      }
      await lockFirst(tx)
      const [someone] = await tx.select({ id: people.id }).from(people).limit(1)
      if (someone) throw notFound('link, or it has been used or has run out; ask a lead for a new one')
      if (body.login === undefined) throw fieldProblem('login', 'choose a sign-in name')
      if (body.name === undefined) throw fieldProblem('name', 'enter your name')
      const [row] = await tx
        .insert(people)
        .values({ id: uuid(), login: body.login, name: body.name, role: found.role, passwordHash })
        .returning()
      if (!row) throw notFound('person')
      if (body.organization !== undefined)
        await tx.update(organization).set({ name: body.organization }).where(eq(organization.id, 1))
      await record(tx, { ...who(row), at: deps.now(), what: 'first account made', entity: 'person', entityId: row.id })
      return asPerson(row)
    })
    deps.security.info({ event: 'password set by a link', person: person.id, address: req.ip })
    return enter(req, person)
  })

  mount(router, deps, accountEndpoints.changePassword, async ({ body, person, req, res }) => {
    if (await spent(byName, `change ${person.id}`)) {
      res.set('retry-after', '900')
      throw new HttpProblem(429, 'Too many attempts. Wait 15 minutes.')
    }
    const [row] = await deps.db.select().from(people).where(eq(people.id, person.id))
    if (!(await fits(row?.passwordHash, body.current))) {
      deps.security.warn({ event: 'password change refused', person: person.id, address: req.ip })
      throw fieldProblem('current', 'is not your password')
    }
    refuseWeak('password', body.password, [person.login, person.name])
    if (body.password === body.current) throw fieldProblem('password', 'is the old one')
    const passwordHash = await hashPassword(body.password)
    const ended = await deps.db.transaction(async (tx) => {
      await tx.update(people).set({ passwordHash }).where(eq(people.id, person.id))
      await record(tx, {
        ...who(person),
        at: deps.now(),
        what: 'password changed',
        entity: 'person',
        entityId: person.id,
      })
      return endSessions(tx, person.id, req.sessionID)
    })
    await byName.delete(`change ${person.id}`)
    deps.security.info({ event: 'password changed', person: person.id, ended, address: req.ip })
    return { ended }
  })

  mount(router, deps, endpoints.confirmPassword, async ({ body, person, req, res }) => {
    if (await spent(byName, `confirm ${person.id}`)) {
      res.set('retry-after', '900')
      throw new HttpProblem(429, 'Too many attempts. Wait 15 minutes.')
    }
    const [row] = await deps.db.select().from(people).where(eq(people.id, person.id))
    if (!(await fits(row?.passwordHash, body.password))) {
      deps.security.warn({ event: 'password not confirmed', person: person.id, address: req.ip })
      throw fieldProblem('password', 'is not your password')
    }
    await byName.delete(`confirm ${person.id}`)
    req.session.confirmedAt = Date.now()
    return { confirmed: true as const }
  })
  factorRoutes(router, deps, (key) => spent(byName, key))

  mount(router, deps, accountEndpoints.ownSessions, ({ person, req }) => ownSessions(deps.db, person.id, req.sessionID))
  mount(router, deps, accountEndpoints.endSessions, async ({ person, req }) => {
    const ended = await endSessions(deps.db, person.id, req.sessionID)
    deps.security.info({ event: 'signed out elsewhere', person: person.id, ended })
    return { ended }
  })
}

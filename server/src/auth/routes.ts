import { promisify } from 'node:util'
import { endpoints, type Person } from '@motor-round/contract'
import { eq } from 'drizzle-orm'
import type { Request, Router } from 'express'
import { RateLimiterPostgres } from 'rate-limiter-flexible'
import { v7 as uuid } from 'uuid'
import { organization, people } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { fieldProblem, HttpProblem, notFound } from '../http/problem.ts'
import { record } from '../audit/record.ts'
import { findInvitation, useInvitation } from './invitations.ts'
import { fits, hashPassword } from './password.ts'
import { asPerson, newToken } from './session.ts'

const regenerate = (req: Request) => promisify<void>((done) => req.session.regenerate(done))()
const save = (req: Request) => promisify<void>((done) => req.session.save(done))()
const destroy = (req: Request) => promisify<void>((done) => req.session.destroy(done))()

/** Sign-in, sign-out and one-time links. */
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
  const byName = limiter('name', 8)
  const byAddress = limiter('address', 60)

  const answer = async (person: Person | null, csrf: string) => {
    const [org] = await deps.db.select({ name: organization.name }).from(organization)
    return { person, csrf, organization: org?.name ?? '', now: deps.now().toISOString() }
  }
  const enter = async (req: Request, person: Person) => {
    await regenerate(req)
    req.session.personId = person.id
    req.session.csrf = newToken()
    await save(req)
    return answer(person, req.session.csrf)
  }

  mount(router, deps, endpoints.session, ({ person, req }) => answer(person, person ? (req.session.csrf ?? '') : ''))

  mount(router, deps, endpoints.signIn, async ({ body, req }) => {
    const login = body.login.trim().toLowerCase()
    const name = `${login} ${req.ip ?? ''}`
    const used = await Promise.all([byName.get(name), byAddress.get(req.ip ?? '')])
    if (used.some((u, i) => u !== null && u.consumedPoints >= (i === 0 ? 8 : 60)))
      throw new HttpProblem(429, 'Too many attempts. Wait 15 minutes, or ask a lead for a new link.')
    const [row] = await deps.db.select().from(people).where(eq(people.login, login))
    const good = await fits(row?.disabledAt === null ? row.passwordHash : null, body.password)
    if (!good || !row) {
      await Promise.all([byName.penalty(name), byAddress.penalty(req.ip ?? '')])
      throw new HttpProblem(401, 'Wrong name or password.')
    }
    await byName.delete(name)
    return enter(req, asPerson(row))
  })

  mount(router, deps, endpoints.signOut, async ({ req, res }) => {
    await destroy(req)
    res.clearCookie('motor-round', { path: '/' })
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
    const passwordHash = await hashPassword(body.password)
    const person = await deps.db.transaction(async (tx) => {
      const found = await findInvitation(tx, params.token, deps.now())
      if (!found || !(await useInvitation(tx, params.token)))
        throw notFound('link, or it has been used or has run out; ask a lead for a new one')
      if (found.personId !== null) {
        const [row] = await tx.update(people).set({ passwordHash }).where(eq(people.id, found.personId)).returning()
        if (!row) throw notFound('person')
        return asPerson(row)
      }
      if (body.login === undefined) throw fieldProblem('login', 'choose a sign-in name')
      if (body.name === undefined) throw fieldProblem('name', 'enter your name')
      const [row] = await tx
        .insert(people)
        .values({ id: uuid(), login: body.login, name: body.name, role: found.role, passwordHash })
        .returning()
      if (!row) throw notFound('person')
      if (body.organization !== undefined)
        await tx.update(organization).set({ name: body.organization }).where(eq(organization.id, 1))
      await record(tx, { by: row.name, at: deps.now(), what: 'first account made', entity: 'person', entityId: row.id })
      return asPerson(row)
    })
    return enter(req, person)
  })
}

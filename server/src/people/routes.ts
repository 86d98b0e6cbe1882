import { accountEndpoints } from '@motor-round/contract'
import { and, asc, eq, isNull, ne } from 'drizzle-orm'
import type { Router } from 'express'
import { record, who } from '../audit/record.ts'
import { invite } from '../auth/invitations.ts'
import { endSessions } from '../auth/own-sessions.ts'
import { asPerson } from '../auth/session.ts'
import { people } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { HttpProblem, notFound } from '../http/problem.ts'

/** Accounts: who may sign in, and as what. */
export function peopleRoutes(router: Router, deps: Deps): void {
  mount(router, deps, accountEndpoints.people, async () => {
    const rows = await deps.db.select().from(people).orderBy(asc(people.name))
    return rows.map(asPerson)
  })

  mount(router, deps, accountEndpoints.addPerson, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      const [row] = await tx.insert(people).values(body).returning()
      if (!row) throw notFound('person')
      const link = await invite(tx, row.id, row.role, deps.now())
      deps.security.info({ event: 'sign-in link made', by: person.id, person: row.id, role: row.role })
      await record(tx, {
        ...who(person),
        at: deps.now(),
        what: 'account made',
        entity: 'person',
        entityId: row.id,
        after: { login: row.login, role: row.role },
      })
      return { person: asPerson(row), path: link.path, expiresAt: link.expiresAt.toISOString() }
    }),
  )

  mount(router, deps, accountEndpoints.editPerson, ({ params, body, person }) =>
    deps.db.transaction(async (tx) => {
      const [before] = await tx.select().from(people).where(eq(people.id, params.id)).for('no key update')
      if (!before) throw notFound('person')
      const disabledAt = body.disabled ? (before.disabledAt ?? deps.now()) : null
      if (before.role === 'lead' && (body.role !== 'lead' || body.disabled)) {
        const others = await tx
          .select({ id: people.id })
          .from(people)
          .where(and(eq(people.role, 'lead'), isNull(people.disabledAt), ne(people.id, params.id)))
          .for('no key update')
        if (others.length === 0) throw new HttpProblem(422, 'This is the last lead. Make another user a lead first.')
      }
      const [row] = await tx
        .update(people)
        .set({ role: body.role, disabledAt })
        .where(eq(people.id, params.id))
        .returning()
      if (!row) throw notFound('person')
      if (body.disabled) await endSessions(tx, row.id, null)
      deps.security.info({
        event: 'account changed',
        by: person.id,
        person: row.id,
        role: [before.role, row.role],
        closed: body.disabled,
      })
      await record(tx, {
        ...who(person),
        at: deps.now(),
        what: 'account changed',
        entity: 'person',
        entityId: row.id,
        before: { role: before.role, closed: before.disabledAt !== null },
        after: { role: row.role, closed: row.disabledAt !== null },
      })
      return asPerson(row)
    }),
  )

  mount(router, deps, accountEndpoints.newLink, ({ params, person }) =>
    deps.db.transaction(async (tx) => {
      const [row] = await tx.select().from(people).where(eq(people.id, params.id))
      if (!row) throw notFound('person')
      const link = await invite(tx, row.id, row.role, deps.now())
      deps.security.info({ event: 'sign-in link made', by: person.id, person: row.id, role: row.role })
      await record(tx, {
        ...who(person),
        at: deps.now(),
        what: 'new sign-in link made',
        entity: 'person',
        entityId: row.id,
      })
      return { person: asPerson(row), path: link.path, expiresAt: link.expiresAt.toISOString() }
    }),
  )
}

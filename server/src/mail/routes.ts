import { mailEndpoints } from '@motor-round/contract'
import { asc } from 'drizzle-orm'
import type { Router } from 'express'
import { record, who } from '../audit/record.ts'
import { digestAddresses } from '../db/rounds-schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { digestText } from './digest.ts'
import { newestMails } from './outbox.ts'
import { transportOf } from './transport.ts'

/** E-mails that were written, and the weekly digest. */
export function mailRoutes(router: Router, deps: Deps): void {
  mount(router, deps, mailEndpoints.mails, async () => ({
    sends: transportOf(deps.config).way,
    digest: (await deps.db.select().from(digestAddresses).orderBy(asc(digestAddresses.email))).map((d) => d.email),
    mails: (await newestMails(deps)).map((m) => ({
      id: m.id,
      to: m.to,
      subject: m.subject,
      madeAt: m.madeAt.toISOString(),
      sentAt: m.sentAt?.toISOString() ?? null,
      tries: m.tries,
      problem: m.problem,
    })),
  }))

  mount(router, deps, mailEndpoints.digestText, () => digestText(deps))

  mount(router, deps, mailEndpoints.setDigest, ({ body, person }) =>
    deps.db.transaction(async (tx) => {
      const emails = [...new Set(body.emails.map((e) => e.toLowerCase()))].sort()
      const before = (await tx.select().from(digestAddresses)).map((d) => d.email).sort()
      const now = deps.now()
      await tx.delete(digestAddresses)
      if (emails.length > 0)
        await tx.insert(digestAddresses).values(emails.map((email) => ({ email, addedBy: person.name, addedAt: now })))
      await record(tx, {
        ...who(person),
        at: now,
        what: 'digest addresses set',
        entity: 'digest',
        entityId: null,
        before: { emails: before.join(', ') },
        after: { emails: emails.join(', ') },
      })
      return { emails }
    }),
  )
}

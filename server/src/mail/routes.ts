import { endpoints } from '@motor-round/contract'
import type { Router } from 'express'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { newestMails } from './outbox.ts'
import { transportOf } from './transport.ts'

/** E-mails that were written. */
export function mailRoutes(router: Router, deps: Deps): void {
  mount(router, deps, endpoints.mails, async () => ({
    sends: transportOf(deps.config).way,
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
}

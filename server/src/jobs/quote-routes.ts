import { jobEndpoints } from '@motor-round/contract'
import type { Router } from 'express'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { sendFile } from '../http/send-file.ts'
import { sendSoon } from '../mail/outbox.ts'
import { answerQuote, linkedQuote, linkQuote } from './links.ts'
import { placeOf, quoteOf } from './quote.ts'
import { jobReportPdf } from './report.ts'
import { quotePdf } from './quote-pdf.ts'
import { who } from '../audit/record.ts'

/** Quotes of jobs, for those who sign in and for those who have a link. */
export function quoteRoutes(router: Router, deps: Deps): void {
  mount(router, deps, jobEndpoints.quote, ({ params }) => quoteOf(deps.db, params.id))
  mount(router, deps, jobEndpoints.quotePdf, async ({ params, res }) => {
    const { paper } = await placeOf(deps.db, params.id)
    return sendFile(res, 'application/pdf', 'quote.pdf', await quotePdf(await quoteOf(deps.db, params.id), paper))
  })
  mount(router, deps, jobEndpoints.jobReport, async ({ params, res }) => {
    return sendFile(res, 'application/pdf', 'job-report.pdf', await jobReportPdf(deps.db, params.id, deps.now()))
  })
  mount(router, deps, jobEndpoints.linkQuote, async ({ params, body, person }) => {
    const made = await linkQuote(deps, params.id, body, who(person))
    sendSoon(deps)
    return made
  })
  mount(router, deps, jobEndpoints.linkedQuote, ({ params }) => linkedQuote(deps, params.token))
  mount(router, deps, jobEndpoints.answerQuote, async ({ params, body }) => ({
    decision: await answerQuote(deps, params.token, body),
  }))
}

import type { JobStands } from '@motor-round/core/job'
import { z } from './z.ts'
import { id, instant, line, text } from './common.ts'
import { at, byId, raw, token } from './define-endpoint.ts'
import { jobDecisions, jobOffer } from './job.ts'
import { site } from './register.ts'

const jobStates = [
  'open',
  ...jobDecisions,
  'at work',
  'paused',
  'closed',
] as const satisfies readonly JobStands['state'][]

/** A job as the list of all shows it. */
export const jobLine = z
  .object({
    id,
    machineId: id,
    unitTag: z.string(),
    tag: z.string(),
    siteName: z.string(),
    units: site.shape.units,
    title: z.string(),
    at: instant,
    state: z.enum(jobStates),
    /** It was postponed, and what brings it back has come: why, and what was watched. */
    back: z
      .object({
        because: z.enum(['day', 'rise', 'visit']),
        figure: z.object({ words: z.string(), quantity: z.string(), then: z.number(), now: z.number() }).nullable(),
      })
      .nullable(),
    /** When it was last decided; null: it was not. */
    decidedAt: instant.nullable(),
    /** When it was closed; null: it is not. */
    closedAt: instant.nullable(),
    /** It runs with something wrong, by leave; null: it does not. */
    permit: z.object({ until: z.iso.date(), expired: z.boolean(), readDue: z.boolean() }).nullable(),
    done: z.int(),
    steps: z.int(),
    /** Steps whose new parts do not fit. */
    misfits: z.array(z.string()),
    /** What was taken off at it and is not back. */
    open: z.array(z.string()),
  })
  .meta({ id: 'JobLine' })
export type JobLine = z.infer<typeof jobLine>

/** A quote as the person who pays sees it: no account, nothing of the machine but this. */
export const quote = z
  .object({
    organization: z.string(),
    siteName: z.string(),
    unitTag: z.string(),
    tag: z.string(),
    title: z.string(),
    offerId: id,
    offer: jobOffer,
    /** Why it may not be left as it is; empty where nothing bars that. */
    stands: z.array(z.string()),
    /** When it was offered, and by whom. */
    at: instant,
    by: z.string(),
    timeZone: z.string(),
    /** What was decided since it was offered; null: nothing. */
    decided: z.object({ decision: z.enum(jobDecisions), who: z.string(), at: instant }).nullable(),
  })
  .meta({ id: 'Quote' })
export type Quote = z.infer<typeof quote>

const personName = line(60).refine((t) => t.trim() !== '', 'enter the name')
export const newQuoteLink = z.strictObject({
  offerId: id,
  name: personName,
  email: z.email('enter an e-mail address').max(120).nullable().default(null),
  /** How long it works. */
  days: z.int().min(1).max(60).default(14),
})
/** What the person who pays answers: an option, counted from 0, or no. */
export const quoteAnswer = z.strictObject({
  name: personName,
  option: z.int().min(0).max(4).nullable(),
  words: text(400).default(''),
})

export const jobEndpoints = {
  jobs: at('jobs', {
    role: 'viewer',
    summary: 'Jobs that are not closed, those that are due again first; and those that were closed of late',
    response: z.object({ jobs: z.array(jobLine) }),
  }),
  jobPace: at('jobPace', {
    role: 'viewer',
    summary: 'How long the steps of jobs take here, as a share of the minutes of their template',
    response: z.object({
      steps: z.array(z.object({ step: z.string(), factor: z.number().positive() })),
      /** Jobs that it was learned from. */
      jobs: z.int(),
    }),
  }),
  quote: at('quote', {
    role: 'viewer',
    summary: 'The newest offer of a job, as the person who pays sees it',
    params: byId,
    response: quote,
  }),
  quotePdf: at('quotePdf', {
    role: 'viewer',
    summary: 'The newest offer of a job on one page',
    params: byId,
    response: raw,
    responseType: 'application/pdf',
  }),
  jobReport: at('jobReport', {
    role: 'viewer',
    summary: 'One page on a job for the person who pays',
    params: byId,
    response: raw,
    responseType: 'application/pdf',
  }),
  linkQuote: at('linkQuote', {
    role: 'mechanic',
    summary: 'A link that answers one quote once, without an account; sent by e-mail where an address is given',
    params: byId,
    body: newQuoteLink,
    response: z.object({ path: z.string(), expiresAt: instant, mailed: z.boolean() }),
  }),
  linkedQuote: at('linkedQuote', {
    role: 'anyone',
    summary: 'The quote of a link',
    params: token,
    response: z.object({ quote, name: z.string(), expiresAt: instant }),
  }),
  answerQuote: at('answerQuote', {
    role: 'anyone',
    summary: 'Approve or decline the quote of a link, once',
    params: token,
    body: quoteAnswer,
    response: z.object({ decision: z.enum(['approved', 'declined']) }),
  }),
}

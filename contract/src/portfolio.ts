import { z } from './z.ts'
import { id, instant } from './common.ts'
import { at, raw } from './define-endpoint.ts'
import { site } from './register.ts'

const levels = z.object({
  /** ISO date. */
  day: z.iso.date(),
  ok: z.int(),
  watch: z.int(),
  fix: z.int(),
  stop: z.int(),
  /** Nothing was read that could be judged. */
  unjudged: z.int(),
})
const dollars = z.number()

/** A quarter of all machines, or of one site, in figures for the office. */
export const portfolio = z
  .object({
    organization: z.string(),
    siteName: z.string().nullable(),
    /** ISO dates, both in it. */
    from: z.iso.date(),
    to: z.iso.date(),
    /** At the ends of months, oldest first, and today last. */
    levels: z.array(levels),
    /** Earlier months are being worked out. */
    filling: z.boolean(),
    overdue: z.int(),
    jobs: z.object({
      closed: z.int(),
      /** Closed with their proof. */
      proven: z.int(),
      open: z.int(),
      /** Of the closed ones that say both. */
      compared: z.int(),
      quoted: dollars,
      cost: dollars,
      hours: z.number(),
      /** Approved and not closed. */
      approved: dollars,
    }),
    /** How often the expected cause was right, of jobs closed in it. */
    causes: z.object({ right: z.int(), wrong: z.int(), notKnown: z.int() }),
    /** Postponed jobs, dearest first. */
    postponed: z.array(
      z.object({
        jobId: id,
        machineId: id,
        unitTag: z.string(),
        tag: z.string(),
        title: z.string(),
        since: instant,
        /** What waiting came to since; null: nobody worked it out. */
        cost: dollars.nullable(),
        grew: z.object({ words: z.string(), quantity: z.string(), then: z.number(), now: z.number() }).nullable(),
        units: site.shape.units,
      }),
    ),
    /** Power that the fans take by their last readings. */
    energy: z.object({ machines: z.int(), without: z.int(), kilowatts: z.number() }),
    /** Motors by maker and model, worst first. */
    models: z.array(
      z.object({ maker: z.string(), model: z.string(), motors: z.int(), pressing: z.int(), replaced: z.int() }),
    ),
    lives: z.array(z.object({ slot: z.string(), n: z.int(), ended: z.int(), medianDays: z.number().nullable() })),
  })
  .meta({ id: 'Portfolio' })
export type Portfolio = z.infer<typeof portfolio>

/** `2026-Q4`; left out: the quarter of today. */
const query = z.strictObject({
  quarter: z
    .string()
    .regex(/^20\d\d-Q[1-4]$/, 'a quarter like 2026-Q4')
    .optional(),
  site: id.optional(),
})

export const portfolioEndpoints = {
  portfolio: at('portfolio', {
    role: 'viewer',
    summary: 'A quarter in figures: levels over time, jobs and money, postponed, energy, worst motors, lives of parts',
    query,
    response: portfolio,
  }),
  portfolioPdf: at('portfolioPdf', {
    role: 'viewer',
    summary: 'The same on paper',
    query,
    response: raw,
    responseType: 'application/pdf',
  }),
}

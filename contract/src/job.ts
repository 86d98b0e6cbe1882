import type { Decision, Means, OptionKind } from '@motor-round/core/job'
import { quantities } from '@motor-round/core/quantity'
import { z } from './z.ts'
import { id, instant, line, text } from './common.ts'

// Types alone: a page without a job does not load the steps of all of them.
export const jobDecisions = [
  'told',
  'quoted',
  'approved',
  'declined',
  'postponed',
] as const satisfies readonly Decision[]
export const jobMeans = ['in person', 'phone', 'text', 'e-mail', 'paper', 'link'] as const satisfies readonly Means[]
export const jobOptionKinds = [
  'repair',
  'replace',
  'rebuild',
  'bypass',
  'leave',
] as const satisfies readonly OptionKind[]

/** A name of the templates of `core/job`: what there is under it the server says. */
const known = line(40).min(1)
const reason = text(400).refine((t) => t.trim() !== '', 'enter the reason')
const quantityCode = z.enum(quantities.map((q) => q.code))

/** Work on a machine, from what was found to its proof. */
export const jobBody = z.strictObject({
  id,
  machineId: id,
  /** The finding that it answers. */
  findingId: id.nullable().default(null),
  at: instant,
  title: line(120).min(1, 'enter what is to be done'),
  /** Kinds of job, done under one lockout. */
  kinds: z.array(known).min(1, 'choose what is to be done').max(4),
  /** Steps that this machine does without. */
  skip: z.array(known).max(60).default([]),
  crew: z.int().min(1).max(4).default(1),
})

const step = { id, jobId: id, machineId: id, at: instant }
const trigger = z
  .strictObject({
    on: z.iso.date().nullable().default(null),
    quantity: quantityCode.nullable().default(null),
    rise: z.number().positive().max(10).nullable().default(null),
    nextVisit: z.boolean().default(false),
  })
  .refine((t) => t.on !== null || t.nextVisit || (t.quantity !== null && t.rise !== null), {
    path: ['on'],
    message: 'choose what brings it back: a date, a figure or the next visit',
  })

const money = z.number().min(0).max(10_000_000)
const named = (most: number, what: string) => line(most).min(1, `enter ${what}`)
/** One way to answer a finding, with all that it costs, in US dollars. */
export const jobOption = z.strictObject({
  kind: z.enum(jobOptionKinds),
  title: named(120, 'what is done'),
  hours: z.number().min(0).max(2000),
  people: z.int().min(1).max(20),
  parts: z.array(z.strictObject({ name: named(80, 'the part'), count: z.int().min(1).max(999), price: money })).max(20),
  access: money,
  down: z.number().min(0).max(10_000),
  years: z.number().min(0.05, 'at least a month').max(60),
  risk: text(300).default(''),
})
/** Options, their rates and what waiting costs, as they were offered. */
export const jobOffer = z.strictObject({
  words: text(300).refine((t) => t.trim() !== '', 'enter one line for the person who pays'),
  rate: money,
  downHour: money,
  options: z.array(jobOption).min(1, 'enter an option').max(5),
  waiting: z
    .array(z.strictObject({ rule: line(40).min(1), figures: z.record(line(20), z.number()) }))
    .max(6)
    .default([]),
  validUntil: z.iso.date(),
})

/** What happened on a job. Facts: kept once, never changed. */
export const jobStepBody = z
  .discriminatedUnion('kind', [
    z.strictObject({
      ...step,
      kind: z.literal('decision'),
      decision: z.enum(jobDecisions),
      who: line(60).refine((t) => t.trim() !== '', 'enter the name'),
      means: z.enum(jobMeans),
      words: text(400).default(''),
      trigger: trigger.nullable().default(null),
      /** The offer and which of its options, counted from 0, that was chosen. */
      chosen: z
        .strictObject({ offerId: id, option: z.int().min(0).max(4) })
        .nullable()
        .default(null),
    }),
    z.strictObject({ ...step, kind: z.literal('offer'), ...jobOffer.shape }),
    z.strictObject({
      ...step,
      kind: z.literal('done'),
      step: known,
      note: text(400).default(''),
      /** Tools and loose parts, where they are counted. */
      count: z.int().min(0).max(999).nullable().default(null),
    }),
    z.strictObject({
      ...step,
      kind: z.literal('burn'),
      step: known,
      /** Temperatures in °F. */
      test: z.strictObject({
        fuel: z.enum(['natural gas', 'propane']),
        co: z.number().min(0).max(20_000),
        oxygen: z.number().min(0).max(20.9),
        oxygenLow: z.number().min(0).max(20.9).optional(),
        oxygenHigh: z.number().min(0).max(20.9).optional(),
        stack: z.number().min(0).max(2000).optional(),
        stackLow: z.number().min(0).max(2000).optional(),
        stackHigh: z.number().min(0).max(2000).optional(),
        steady: z.boolean().optional(),
        rise: z.number().min(0).max(400),
        riseLow: z.number().min(0).max(400),
        riseHigh: z.number().min(0).max(400),
        leakFree: z.boolean(),
      }),
    }),
    z.strictObject({
      ...step,
      kind: z.literal('rung'),
      step: known,
      rung: known,
      minutes: z.number().min(0).max(600),
      freed: z.boolean(),
    }),
    z.strictObject({
      ...step,
      kind: z.literal('check'),
      step: known,
      /** Lengths in millimeters. */
      measured: z
        .array(
          z.strictObject({
            point: known,
            old: z.union([z.number().min(0).max(1e6), line(40)]),
            now: z.union([z.number().min(0).max(1e6), line(40)]),
          }),
        )
        .min(1, 'enter what was measured')
        .max(20),
      note: text(400).default(''),
    }),
    z.strictObject({ ...step, kind: z.literal('undone'), step: known }),
    z.strictObject({ ...step, kind: z.literal('skipped'), step: known, reason }),
    z.strictObject({
      ...step,
      kind: z.literal('permit'),
      wrong: text(400).refine((t) => t.trim() !== '', 'enter what is wrong'),
      limits: text(400).refine((t) => t.trim() !== '', 'enter the limits it may run in'),
      accepts: line(60).refine((t) => t.trim() !== '', 'enter who accepts it'),
      until: z.iso.date(),
      readOn: z.iso.date(),
    }),
    /** A part that will do for now. */
    z.strictObject({
      ...step,
      kind: z.literal('substitute'),
      part: named(80, 'the part that belongs there'),
      inPlace: named(80, 'what is in its place'),
      until: z.iso.date(),
    }),
    z.strictObject({ ...step, kind: z.literal('paused'), safe: reason }),
    z.strictObject({ ...step, kind: z.literal('resumed') }),
    z.strictObject({
      ...step,
      kind: z.literal('closed'),
      /** Why it is closed without its proof; empty where it is proven. */
      reason: text(400).default(''),
      cause: z.enum(['right', 'wrong', 'not known']),
      /** Hours of all hands, and US dollars for parts and access, as they came out. */
      hours: z.number().min(0).max(5000).nullable().default(null),
      money: money.nullable().default(null),
    }),
  ])
  .superRefine((s, ctx) => {
    if (s.kind === 'decision' && s.decision === 'postponed' && s.trigger === null)
      ctx.addIssue({ code: 'custom', path: ['trigger'], message: 'choose what brings it back' })
    if (s.kind === 'burn')
      for (const what of ['oxygen', 'stack', 'rise'] as const) {
        const [low, high] = [s.test[`${what}Low`], s.test[`${what}High`]]
        if (low !== undefined && high !== undefined && low > high)
          ctx.addIssue({ code: 'custom', path: ['test', `${what}High`], message: 'is below the lower end' })
      }
    if (s.kind !== 'permit') return
    if (s.readOn > s.until)
      ctx.addIssue({ code: 'custom', path: ['readOn'], message: 'the next reading comes before it ends' })
  })
export type JobStepBody = z.output<typeof jobStepBody>

type Without<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never
/** Kind of a step and what belongs to it. */
export type JobSaid = Without<JobStepBody, keyof typeof step>

const by = z.string()
export const jobStep = z.intersection(jobStepBody, z.object({ by }))
export type JobStepRecord = z.output<typeof jobStep>

/** A job with all that happened on it, oldest first. */
export const job = z.object({ ...jobBody.shape, by, steps: z.array(jobStep) }).meta({ id: 'Job' })
export type JobRecord = z.output<typeof job>

import { roundEventKinds, taskKinds } from '@motor-round/core/round'
import { z } from './z.ts'
import { roofMap, care } from './roof-map.ts'
import { id, instant, line, pictureBytes, pictureType, text, version } from './common.ts'
import { conditionLine } from './condition.ts'
import { finding } from './finding.ts'
import { level } from './verdict.ts'

const taskIds = taskKinds.map((k) => k.id)
const minutes = z.number().min(0).max(1440)
/** Minutes of a day, 0 to 1440: 480 is eight in the morning, by the clock of the site. */
const minuteOfDay = z.int().min(0).max(1440)
export const day = z.iso.date()

const pause = z.object({ minutes, because: z.string() })

export const dueTask = z
  .object({
    task: z.string(),
    title: z.string(),
    scope: z.enum(['running', 'live', 'dead', 'full', 'drive', 'both']),
    dueAt: instant,
    lastAt: instant.nullable(),
    why: z.string(),
    moved: z.enum(['forward', 'back']).nullable(),
    minutes,
    people: z.union([z.literal(1), z.literal(2)]),
    visitsUnit: z.boolean(),
    locksOut: z.boolean(),
    /** How long it is left alone between locking out and the work, and why. */
    rest: pause.nullable().default(null),
    /** How long it runs after the work before its amps are read again, and why. */
    settle: pause.nullable().default(null),
  })
  .meta({ id: 'DueTask' })
export type DueTaskRecord = z.infer<typeof dueTask>

/** A machine with all it will want, soonest first. */
export const dueMachine = z
  .object({
    machineId: id,
    unitId: id,
    areaId: id,
    siteId: id,
    unitTag: z.string(),
    tag: z.string(),
    purpose: z.string(),
    areaName: z.string(),
    level: level.nullable(),
    care,
    tasks: z.array(dueTask),
  })
  .meta({ id: 'DueMachine' })
export type DueMachine = z.infer<typeof dueMachine>

export const walker = z.strictObject({ id, name: line(60).min(1), from: minuteOfDay, to: minuteOfDay })
export const recurrence = z.strictObject({
  every: z.enum(['week', 'month', 'quarter', 'year']),
  times: z.int().min(1).max(12),
})

const span = z
  .strictObject({ from: minuteOfDay, to: minuteOfDay })
  .refine((s) => s.to > s.from, { path: ['to'], message: 'ends before it begins' })

/** What a lead asks for: where, when, who, and what is due up to which day. */
export const roundBody = z
  .strictObject({
    id,
    name: line(80).min(1),
    day,
    siteIds: z.array(id).min(1, 'choose a site').max(20),
    /** Machines and what is to be done at each; at most one line a machine. */
    visits: z
      .array(z.strictObject({ machineId: id, tasks: z.array(z.enum(taskIds)).min(1).max(12) }))
      .min(1, 'choose a machine')
      .max(200),
    people: z
      .array(walker.refine((w) => w.to > w.from, { path: ['to'], message: 'ends before it begins' }))
      .min(1, 'add a person')
      .max(6),
    heat: span.nullable().default(null),
    storm: minuteOfDay.nullable().default(null),
    recurs: recurrence.nullable().default(null),
    /** What finds no room on the day goes to the next, for at most so many days; each is a round of its own. */
    days: z.int().min(1).max(10).default(1),
    note: text(1000).default(''),
  })
  .superRefine((r, ctx) => {
    const seen = new Set<string>()
    r.visits.forEach((s, i) => {
      if (seen.has(s.machineId))
        ctx.addIssue({ code: 'custom', path: ['visits', i, 'machineId'], message: 'is already in this round' })
      seen.add(s.machineId)
    })
  })

const step = z.object({
  step: z.string(),
  walkers: z.array(z.string()).readonly(),
  start: z.number(),
  end: z.number(),
  travel: z.number(),
  waiting: z.number(),
})
export const routeCost = z.object({
  travel: z.number(),
  waiting: z.number(),
  hot: z.number(),
  left: z.number(),
  back: z.number(),
  total: z.number(),
})
/** A plan: the work of a machine is named by it, what comes before and after a pause `machine:lock` and `machine:proof`. */
export const route = z
  .object({
    order: z.array(z.object({ walker: z.string(), steps: z.array(z.string()).readonly() })).readonly(),
    steps: z.array(step).readonly(),
    left: z.array(z.object({ step: z.string(), why: z.string() })).readonly(),
    cost: routeCost,
  })
  .meta({ id: 'Route' })

/** What happened at a visit of a round, as the phone that was there tells it. Facts: kept once, never changed. */
export const roundEventBody = z
  .strictObject({
    id,
    roundId: id,
    machineId: id.nullable(),
    kind: z.enum(roundEventKinds),
    at: instant,
    /** The visit that was taken; of a skipped one none. */
    visitId: id.nullable().default(null),
    /** For what is moved: where in the walk it is now, from 0. */
    place: z.int().min(0).max(500).nullable().default(null),
    note: text(400).default(''),
  })
  .superRefine((e, ctx) => {
    if (e.kind === 'skipped' && e.note.trim() === '')
      ctx.addIssue({ code: 'custom', path: ['note'], message: 'enter why it is skipped' })
    if (e.kind !== 'told' && e.machineId === null)
      ctx.addIssue({ code: 'custom', path: ['machineId'], message: 'choose the machine' })
  })
export const roundEvent = roundEventBody.safeExtend({ by: z.string(), recordedAt: instant }).meta({ id: 'RoundEvent' })
export type RoundEvent = z.infer<typeof roundEvent>

export const roundVisit = z
  .object({
    machineId: id,
    unitId: id,
    areaId: id,
    siteId: id,
    unitTag: z.string(),
    tag: z.string(),
    purpose: z.string(),
    areaName: z.string(),
    siteName: z.string(),
    care,
    /** When the round was planned, and now. */
    levelBefore: level.nullable(),
    level: level.nullable(),
    headline: z.string(),
    /** Everything found there and not yet answered, worst first; of a closed round as it was then. */
    conditions: z.array(conditionLine).default([]),
    /** When the machine is due again. */
    dueAt: instant.nullable(),
    tasks: z.array(dueTask),
    minutes,
    /** Earlier visits that its minutes are learnt from. */
    learnt: z.int(),
    added: z.boolean(),
  })
  .meta({ id: 'RoundVisit' })
export type RoundVisit = z.infer<typeof roundVisit>

export const roundHead = z
  .object({
    id,
    name: z.string(),
    day,
    siteIds: z.array(id),
    state: z.enum(['planned', 'closed']),
    people: z.array(walker),
    recurs: recurrence.nullable(),
    visits: z.int(),
    done: z.int(),
    skipped: z.int(),
    left: z.int(),
    madeBy: z.string(),
    version,
  })
  .meta({ id: 'RoundHead' })
export type RoundHead = z.infer<typeof roundHead>

export const closing = z.object({
  at: instant,
  by: z.string(),
  /** Why it was closed though phones still had something to sync, or visits were left. */
  reason: z.string(),
  next: day.nullable(),
  /** How its machines stood when it was closed: a report of a closed round does not change. */
  stood: z
    .array(
      z.object({ machineId: id, level: level.nullable(), headline: z.string(), conditions: z.array(conditionLine) }),
    )
    .default([]),
})

export const roundPage = z
  .object({
    head: roundHead,
    note: z.string(),
    heat: span.nullable(),
    storm: minuteOfDay.nullable(),
    visits: z.array(roundVisit),
    route: route,
    events: z.array(roundEvent),
    areas: z.array(z.object({ id, name: z.string(), siteId: id, kind: z.enum(['roof', 'room']), map: roofMap })),
    /** Phones that downloaded the round and have not synced all of it. */
    away: z.array(z.object({ device: z.string(), by: z.string(), since: instant })),
    /** What is open at its machines, and what was found on it. */
    findings: z.array(finding).default([]),
    closing: closing.nullable(),
  })
  .meta({ id: 'RoundPage' })
export type RoundPage = z.infer<typeof roundPage>

export const roundMove = z.strictObject({
  version,
  step: z.string().max(80),
  walker: id,
  position: z.int().min(0).max(500),
})
export const roundMoved = z.object({ page: roundPage, by: routeCost })
export const roundReplan = z.strictObject({
  version,
  people: z.array(walker).min(1).max(6),
  heat: span.nullable(),
  storm: minuteOfDay.nullable(),
})
export const roundClose = z.strictObject({ version, reason: text(400).default('') })

/** A picture as it is sent: shrunk on the phone, JPEG or WebP, base64. */
export const pictureBody = z.strictObject({
  id,
  machineId: id,
  visitId: id.nullable(),
  check: line(40).default(''),
  takenAt: instant,
  type: pictureType,
  note: text(400).default(''),
  bytes: pictureBytes,
})
export const picture = z.object({
  id,
  machineId: id,
  visitId: id.nullable(),
  check: z.string(),
  takenAt: instant,
  by: z.string(),
  note: z.string(),
})

/** A unit with its fan, found on the roof and not on record. */
export const foundBody = z.strictObject({
  unit: z.strictObject({
    id,
    areaId: id,
    tag: line(24).min(1),
    kind: z.string().max(20),
    modelLine: line(60).default(''),
  }),
  machine: z.strictObject({
    id,
    tag: line(24).min(1),
    purpose: line(80).default(''),
    phases: z.union([z.literal(1), z.literal(3)]),
    serviceVolts: z.number().positive().max(1000),
    drive: z.enum(['belt', 'direct']),
  }),
})

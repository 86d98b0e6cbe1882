import type { DueTaskRecord, FileRound, JobSaid, RoundEvent, RoundPage, TraceSaid } from '@motor-round/contract'
import type { Level } from '@motor-round/core/judge'
import type { RoofMap } from '@motor-round/core/round'
import {
  boolean,
  customType,
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uuid,
} from 'drizzle-orm/pg-core'
import { areas, at, machines, people, sites } from './schema.ts'

/** The plan of a roof or room. An area without a row has not been drawn. */
export const roofMaps = pgTable('roof_maps', {
  areaId: uuid('area_id')
    .primaryKey()
    .references(() => areas.id),
  map: jsonb().$type<RoofMap>().notNull(),
  version: integer().notNull(),
})

/** A round: who goes where when. What happened on it stands in its events. */
export const rounds = pgTable(
  'rounds',
  {
    id: uuid().primaryKey(),
    name: text().notNull(),
    day: date({ mode: 'string' }).notNull(),
    siteIds: uuid('site_ids').array().notNull(),
    people: jsonb().$type<FileRound['people']>().notNull(),
    heat: jsonb().$type<FileRound['heat']>(),
    storm: integer(),
    recurs: jsonb().$type<FileRound['recurs']>(),
    note: text().notNull(),
    route: jsonb().$type<FileRound['route']>().notNull(),
    madeBy: text('made_by').notNull(),
    madeAt: at('made_at').notNull(),
    closing: jsonb().$type<RoundPage['closing']>(),
    version: integer().notNull().default(1),
  },
  (t) => [index('rounds_day').on(t.day)],
)

export const roundVisits = pgTable(
  'round_visits',
  {
    roundId: uuid('round_id')
      .notNull()
      .references(() => rounds.id),
    machineId: uuid('machine_id')
      .notNull()
      .references(() => machines.id),
    tasks: jsonb().$type<DueTaskRecord[]>().notNull(),
    minutes: doublePrecision().notNull(),
    learnt: integer().notNull(),
    levelBefore: text('level_before').$type<Level>(),
    added: boolean().notNull(),
  },
  (t) => [primaryKey({ columns: [t.roundId, t.machineId] }), index('round_visits_machine').on(t.machineId)],
)

/** Append-only: what the phones tell of a round. */
export const roundEvents = pgTable(
  'round_events',
  {
    id: uuid().primaryKey(),
    roundId: uuid('round_id')
      .notNull()
      .references(() => rounds.id),
    machineId: uuid('machine_id'),
    kind: text().$type<RoundEvent['kind']>().notNull(),
    at: at('at').notNull(),
    visitId: uuid('visit_id'),
    place: integer(),
    note: text().notNull(),
    by: text().notNull(),
    recordedAt: at('recorded_at').notNull(),
  },
  (t) => [index('round_events_round').on(t.roundId, t.at), index('round_events_machine').on(t.machineId, t.kind)],
)

/** Phones that took a round along, and how much they still have to bring. */
export const roundDevices = pgTable(
  'round_devices',
  {
    roundId: uuid('round_id')
      .notNull()
      .references(() => rounds.id),
    device: text().notNull(),
    by: text().notNull(),
    since: at('since').notNull(),
    holds: integer().notNull(),
  },
  (t) => [primaryKey({ columns: [t.roundId, t.device] })],
)

const bytea = customType<{ data: Buffer; driverData: Buffer }>({ dataType: () => 'bytea' })

/** Pictures, shrunk on the phone. */
export const pictures = pgTable(
  'pictures',
  {
    id: uuid().primaryKey(),
    siteId: uuid('site_id')
      .notNull()
      .references(() => sites.id),
    machineId: uuid('machine_id')
      .notNull()
      .references(() => machines.id),
    visitId: uuid('visit_id'),
    check: text('check').notNull(),
    takenAt: at('taken_at').notNull(),
    type: text().$type<'image/jpeg' | 'image/webp' | 'image/png'>().notNull(),
    note: text().notNull(),
    bytes: bytea().notNull(),
    by: text().notNull(),
  },
  (t) => [index('pictures_machine').on(t.machineId, t.takenAt), index('pictures_visit').on(t.visitId)],
)

/** What was found at machines that nobody asked for. What became of it stands in its steps. */
export const findings = pgTable(
  'findings',
  {
    id: uuid().primaryKey(),
    siteId: uuid('site_id')
      .notNull()
      .references(() => sites.id),
    machineId: uuid('machine_id')
      .notNull()
      .references(() => machines.id),
    roundId: uuid('round_id'),
    visitId: uuid('visit_id'),
    at: at('at').notNull(),
    level: text().$type<'watch' | 'fix' | 'stop'>().notNull(),
    text: text().notNull(),
    owner: text().notNull(),
    reviewOn: date('review_on', { mode: 'string' }),
    by: text().notNull(),
  },
  (t) => [index('findings_machine').on(t.machineId)],
)
export const findingSteps = pgTable(
  'finding_steps',
  {
    id: uuid().primaryKey(),
    findingId: uuid('finding_id')
      .notNull()
      .references(() => findings.id),
    machineId: uuid('machine_id').notNull(),
    at: at('at').notNull(),
    kind: text().$type<'postponed' | 'closed' | 'reopened'>().notNull(),
    note: text().notNull(),
    reviewOn: date('review_on', { mode: 'string' }),
    by: text().notNull(),
  },
  (t) => [index('finding_steps_finding').on(t.findingId)],
)

/** Searches for a fault. What happened in one stands in its steps. */
export const traces = pgTable(
  'traces',
  {
    id: uuid().primaryKey(),
    siteId: uuid('site_id')
      .notNull()
      .references(() => sites.id),
    machineId: uuid('machine_id')
      .notNull()
      .references(() => machines.id),
    visitId: uuid('visit_id'),
    at: at('at').notNull(),
    complaint: text(),
    words: text().notNull(),
    by: text().notNull(),
  },
  (t) => [index('traces_machine').on(t.machineId)],
)
export const traceSteps = pgTable(
  'trace_steps',
  {
    id: uuid().primaryKey(),
    traceId: uuid('trace_id')
      .notNull()
      .references(() => traces.id),
    machineId: uuid('machine_id').notNull(),
    at: at('at').notNull(),
    /** Kind and what belongs to it. */
    said: jsonb().$type<TraceSaid>().notNull(),
    by: text().notNull(),
  },
  (t) => [index('trace_steps_trace').on(t.traceId)],
)

/** Work on machines, from a finding to its proof. What happened on one stands in its steps. */
export const jobs = pgTable(
  'jobs',
  {
    id: uuid().primaryKey(),
    siteId: uuid('site_id')
      .notNull()
      .references(() => sites.id),
    machineId: uuid('machine_id')
      .notNull()
      .references(() => machines.id),
    findingId: uuid('finding_id'),
    at: at('at').notNull(),
    title: text().notNull(),
    kinds: jsonb().$type<readonly string[]>().notNull(),
    skip: jsonb().$type<readonly string[]>().notNull(),
    crew: integer().notNull(),
    by: text().notNull(),
  },
  (t) => [index('jobs_machine').on(t.machineId)],
)
export const jobSteps = pgTable(
  'job_steps',
  {
    id: uuid().primaryKey(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id),
    machineId: uuid('machine_id').notNull(),
    at: at('at').notNull(),
    /** Kind and what belongs to it. */
    said: jsonb().$type<JobSaid>().notNull(),
    by: text().notNull(),
  },
  (t) => [index('job_steps_job').on(t.jobId)],
)

/** What persons closed of what stood at a machine, and opened again. Facts: kept once, never changed. */
export const conditionClosings = pgTable(
  'condition_closings',
  {
    id: uuid().primaryKey(),
    siteId: uuid('site_id').notNull(),
    machineId: uuid('machine_id')
      .notNull()
      .references(() => machines.id),
    key: text().notNull(),
    at: at('at').notNull(),
    kind: text().$type<'closed' | 'reopened'>().notNull(),
    reason: text().notNull(),
    by: text().notNull(),
  },
  (t) => [index('condition_closings_machine').on(t.machineId)],
)

/** Pictures that plans are drawn over. They never change; a plan says which is its own. */
export const mapPictures = pgTable('map_pictures', {
  id: uuid().primaryKey(),
  areaId: uuid('area_id')
    .notNull()
    .references(() => areas.id),
  type: text().$type<'image/jpeg' | 'image/webp' | 'image/png'>().notNull(),
  bytes: bytea().notNull(),
  by: text().notNull(),
})

/** Addresses at which a calendar subscribes: only the hash of the token is kept. One a person. */
export const calendarLinks = pgTable('calendar_links', {
  personId: uuid('person_id')
    .primaryKey()
    .references(() => people.id),
  tokenHash: text('token_hash').notNull().unique(),
  madeAt: at('made_at').notNull(),
})

/** Links that answer one quote once, without an account: only the hash of the token is kept. */
export const quoteLinks = pgTable(
  'quote_links',
  {
    tokenHash: text('token_hash').primaryKey(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id),
    offerId: uuid('offer_id').notNull(),
    name: text().notNull(),
    email: text(),
    madeBy: text('made_by').notNull(),
    madeAt: at('made_at').notNull(),
    expiresAt: at('expires_at').notNull(),
    usedAt: at('used_at'),
  },
  (t) => [index('quote_links_job').on(t.jobId)],
)

/** E-mails that were written, kept in the transaction of what they tell; what was sent keeps its head alone. */
export const mails = pgTable(
  'mails',
  {
    id: uuid().primaryKey(),
    to: text('to').notNull(),
    subject: text().notNull(),
    body: text(),
    attachments: jsonb().$type<readonly { readonly name: string; readonly base64: string }[]>().notNull().default([]),
    madeAt: at('made_at').notNull(),
    sentAt: at('sent_at'),
    tries: integer().notNull().default(0),
    nextAt: at('next_at').notNull(),
    problem: text().notNull().default(''),
  },
  (t) => [index('mails_next').on(t.sentAt, t.nextAt), index('mails_made').on(t.madeAt)],
)

/** Who gets the weekly digest. */
export const digestAddresses = pgTable('digest_addresses', {
  email: text().primaryKey(),
  addedBy: text('added_by').notNull(),
  addedAt: at('added_at').notNull(),
})

/** Weeks whose digest was written, by their Monday: each once, whichever server is first. */
export const digests = pgTable('digests', {
  week: date({ mode: 'string' }).primaryKey(),
  madeAt: at('made_at').notNull(),
})

/** How the machines of a site stood at the end of a day, worked out once. */
export const levelDays = pgTable(
  'level_days',
  {
    siteId: uuid('site_id')
      .notNull()
      .references(() => sites.id),
    day: date({ mode: 'string' }).notNull(),
    ok: integer().notNull(),
    watch: integer().notNull(),
    fix: integer().notNull(),
    stop: integer().notNull(),
    unjudged: integer().notNull(),
  },
  (t) => [primaryKey({ columns: [t.siteId, t.day] })],
)

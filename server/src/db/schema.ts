import type { DriveLayout, PartSlot, PartSpecs, RemovedFor } from '@motor-round/core/installed'
import type { Controls, Judgement, Level } from '@motor-round/core/judge'
import type { Plate, UnitPlate } from '@motor-round/core/plate'
import type { ReadingHow } from '@motor-round/core/quantity'
import type { Answers, GatePass, VisitState, WorkKindId } from '@motor-round/core/trend'
import type { AuditEntry, Care, ConditionLine, SpeedChangeRecord, Role, WorkRecord } from '@motor-round/contract'
import {
  bigint,
  boolean,
  doublePrecision,
  index,
  integer,
  json,
  jsonb,
  pgTable,
  primaryKey,
  smallint,
  text,
  timestamp,
  unique,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'
import { sql } from 'drizzle-orm'

/** An instant. */
export const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })

export const organization = pgTable('organization', {
  id: integer().primaryKey(),
  name: text().notNull(),
  policies: jsonb().notNull(),
  policiesVersion: integer('policies_version').notNull(),
  policiesBy: text('policies_by'),
  policiesAt: at('policies_at'),
  /** The judge by which the states of the machines were last worked out. */
  judgeVersion: integer('judge_version').notNull().default(0),
})

export const people = pgTable('people', {
  id: uuid().primaryKey(),
  login: text().notNull().unique(),
  name: text().notNull(),
  role: text().$type<Role>().notNull(),
  passwordHash: text('password_hash'),
  createdAt: at('created_at').notNull().defaultNow(),
  disabledAt: at('disabled_at'),
})

/** One-time links: only the hash of the token is kept. Person null: the first lead. */
export const invitations = pgTable('invitations', {
  tokenHash: text('token_hash').primaryKey(),
  personId: uuid('person_id').references(() => people.id),
  role: text().$type<Role>().notNull(),
  expiresAt: at('expires_at').notNull(),
})

/** Second factors. The secret is encrypted with a key of the server. */
export const secondFactors = pgTable('second_factors', {
  personId: uuid('person_id')
    .primaryKey()
    .references(() => people.id),
  secret: text().notNull(),
  /** The last step of 30 s whose code was used: none is used twice. */
  step: bigint({ mode: 'number' }).notNull(),
})

export const recoveryCodes = pgTable(
  'recovery_codes',
  {
    personId: uuid('person_id')
      .notNull()
      .references(() => people.id),
    codeHash: text('code_hash').notNull(),
  },
  (t) => [primaryKey({ columns: [t.personId, t.codeHash] })],
)

export const sites = pgTable('sites', {
  id: uuid().primaryKey(),
  name: text().notNull().unique(),
  zone: text().notNull(),
  /** 50 or 60; null: by the volts and the plates. */
  hertz: smallint().$type<50 | 60>(),
  units: text().$type<'us' | 'metric'>().notNull().default('us'),
  paper: text().$type<'letter' | 'A4'>().notNull().default('letter'),
  weekStart: text('week_start').$type<'sunday' | 'monday'>().notNull().default('sunday'),
  version: integer().notNull().default(1),
})

export const areas = pgTable(
  'areas',
  {
    id: uuid().primaryKey(),
    siteId: uuid('site_id')
      .notNull()
      .references(() => sites.id),
    name: text().notNull(),
    kind: text().$type<'roof' | 'room'>().notNull(),
    version: integer().notNull().default(1),
  },
  (t) => [unique('areas_name').on(t.siteId, t.name)],
)

export const units = pgTable(
  'units',
  {
    id: uuid().primaryKey(),
    siteId: uuid('site_id')
      .notNull()
      .references(() => sites.id),
    areaId: uuid('area_id')
      .notNull()
      .references(() => areas.id),
    tag: text().notNull(),
    kind: text().notNull(),
    modelLine: text('model_line').notNull(),
    /** What it asks of those who come to it; parsed on the way out. */
    care: jsonb().$type<Partial<Care>>().notNull().default({}),
    version: integer().notNull().default(1),
  },
  (t) => [uniqueIndex('units_tag').on(t.siteId, sql`lower(${t.tag})`)],
)

export const machines = pgTable(
  'machines',
  {
    id: uuid().primaryKey(),
    siteId: uuid('site_id')
      .notNull()
      .references(() => sites.id),
    unitId: uuid('unit_id')
      .notNull()
      .references(() => units.id),
    tag: text().notNull(),
    purpose: text().notNull(),
    phases: smallint().$type<1 | 3>().notNull(),
    serviceVolts: doublePrecision('service_volts').notNull(),
    drive: text().$type<'belt' | 'direct'>().notNull(),
    hasVfd: boolean('has_vfd').notNull(),
    hasTwin: boolean('has_twin').notNull(),
    /** What stands between the supply and the motor; parsed on the way out, so that older rows gain new fields. */
    controls: jsonb().$type<Partial<Controls>>().notNull().default({}),
    /** How its drive stands; parsed on the way out, like the controls. */
    layout: jsonb().$type<Partial<DriveLayout>>().notNull().default({}),
    unitPlate: jsonb('unit_plate').$type<UnitPlate>(),
    retiredAt: at('retired_at'),
    version: integer().notNull().default(1),
  },
  (t) => [uniqueIndex('machines_tag').on(t.unitId, sql`lower(${t.tag})`)],
)

/** What the `motor` slot holds. */
export interface MotorSpec {
  readonly plate: Plate
  readonly connectionVolts: number | null
}

/** What is installed in a slot of a machine, and what was. The spec's shape follows the slot. */
export const components = pgTable(
  'components',
  {
    id: uuid().primaryKey(),
    siteId: uuid('site_id')
      .notNull()
      .references(() => sites.id),
    machineId: uuid('machine_id')
      .notNull()
      .references(() => machines.id),
    slot: text().$type<'motor' | PartSlot>().notNull(),
    spec: jsonb().$type<MotorSpec | PartSpecs[PartSlot]>().notNull(),
    installedAt: at('installed_at').notNull(),
    installedBy: text('installed_by').notNull(),
    why: text().notNull(),
    substitute: boolean('substitute').notNull(),
    removedAt: at('removed_at'),
    removedFor: text('removed_for').$type<RemovedFor>(),
    removedWhy: text('removed_why').notNull(),
    version: integer().notNull().default(1),
  },
  (t) => [
    index('components_machine').on(t.machineId, t.slot),
    uniqueIndex('components_one_in_place')
      .on(t.machineId, t.slot)
      .where(sql`${t.removedAt} is null`),
  ],
)

export const work = pgTable(
  'work',
  {
    id: uuid().primaryKey(),
    siteId: uuid('site_id')
      .notNull()
      .references(() => sites.id),
    machineId: uuid('machine_id')
      .notNull()
      .references(() => machines.id),
    doneAt: at('done_at').notNull(),
    kind: text().$type<WorkKindId>().notNull(),
    note: text().notNull(),
    turns: jsonb().$type<WorkRecord['turns']>(),
    by: text().notNull(),
    recordedAt: at('recorded_at').notNull().defaultNow(),
  },
  (t) => [index('work_machine').on(t.machineId, t.doneAt)],
)

/** Speed changes worked out: what was predicted. What came of it is read from the visits. */
export const speedChanges = pgTable(
  'speed_changes',
  {
    id: uuid().primaryKey(),
    siteId: uuid('site_id')
      .notNull()
      .references(() => sites.id),
    machineId: uuid('machine_id')
      .notNull()
      .references(() => machines.id),
    madeAt: at('made_at').notNull(),
    by: text().notNull(),
    change: jsonb().$type<SpeedChangeRecord['change']>().notNull(),
    predicted: jsonb().$type<SpeedChangeRecord['predicted']>().notNull(),
    note: text().notNull(),
    doneAt: at('done_at'),
    droppedAt: at('dropped_at'),
    droppedWhy: text('dropped_why').notNull().default(''),
  },
  (t) => [index('speed_changes_machine').on(t.machineId, t.madeAt), index('speed_changes_done').on(t.doneAt)],
)

/** Append-only, partitioned by year of `taken_at`. A correction is a new visit that names the one it supersedes. */
export const visits = pgTable(
  'visits',
  {
    id: uuid().notNull(),
    siteId: uuid('site_id').notNull(),
    machineId: uuid('machine_id').notNull(),
    takenAt: at('taken_at').notNull(),
    recordedAt: at('recorded_at').notNull().defaultNow(),
    by: text().notNull(),
    byId: uuid('by_id'),
    state: jsonb().$type<VisitState>().notNull(),
    answers: jsonb().$type<Answers>().notNull().default({}),
    passes: jsonb().$type<readonly GatePass[]>().notNull().default([]),
    note: text().notNull(),
    supersedes: uuid(),
    reason: text().notNull(),
    source: text().$type<'walk' | 'import' | 'file'>().notNull(),
  },
  (t) => [primaryKey({ columns: [t.siteId, t.machineId, t.takenAt, t.id] }), index('visits_id').on(t.id)],
)

/** Append-only, partitioned by year of `taken_at`. Values are in the quantity's own unit. */
export const readings = pgTable(
  'readings',
  {
    siteId: uuid('site_id').notNull(),
    machineId: uuid('machine_id').notNull(),
    takenAt: at('taken_at').notNull(),
    visitId: uuid('visit_id').notNull(),
    quantity: text().notNull(),
    position: text().notNull(),
    value: doublePrecision().notNull(),
    how: text().$type<ReadingHow>(),
    spread: doublePrecision(),
  },
  (t) => [primaryKey({ columns: [t.siteId, t.machineId, t.takenAt, t.visitId, t.quantity, t.position] })],
)

/** Which visit was replaced by which: one replacement a visit. */
export const supersessions = pgTable('supersessions', {
  oldVisitId: uuid('old_visit_id').primaryKey(),
  newVisitId: uuid('new_visit_id').notNull(),
  machineId: uuid('machine_id').notNull(),
})

/**
 * Which state of its past a machine is at: another id whenever a fact of it was kept, written by triggers of the tables that
 * judging reads. What was loaded under one id is still what the database holds while the id is the same.
 */
export const machineVersions = pgTable('machine_versions', {
  machineId: uuid('machine_id')
    .primaryKey()
    .references(() => machines.id),
  version: uuid().notNull(),
  /** When a day had come last that something at it was put off or allowed to: it stands otherwise since. Null: none had. */
  turnedAt: at('turned_at'),
})

/** The latest judgement of each machine: what the Roof shows. Rebuilt from the facts at every change. */
export const machineStates = pgTable(
  'machine_states',
  {
    machineId: uuid('machine_id')
      .primaryKey()
      .references(() => machines.id),
    siteId: uuid('site_id').notNull(),
    areaId: uuid('area_id').notNull(),
    sortKey: text('sort_key').notNull(),
    words: text().notNull(),
    retired: boolean().notNull().default(false),
    /** stop 4, fix 3, watch 2, not judged 1, ok 0 */
    need: smallint().notNull(),
    /** The worst of what stands; null: not judged. */
    level: text().$type<Level>(),
    headline: text().notNull(),
    /** Everything found and not yet answered, worst first. */
    conditions: jsonb().$type<ConditionLine[]>().notNull().default([]),
    /** Visits were kept and not judged yet: a batch is under way, or its server ended in the middle of it. */
    stale: boolean().notNull().default(false),
    load: doublePrecision(),
    /** When that load was read. */
    loadAt: at('load_at'),
    seenAt: at('seen_at'),
    dueAt: at('due_at'),
    /** The next day that something at it was put off or allowed to; null: there is none. */
    turnsAt: at('turns_at'),
    /** The machine as the list of machines shows it, as JSON text: it is looked at far more often than it changes. */
    shown: text().notNull(),
  },
  (t) => [
    index('machine_states_stale')
      .on(t.machineId)
      .where(sql`stale`),
    index('machine_states_turns')
      .on(t.turnsAt)
      .where(sql`turns_at is not null`),
    // By every order in which the machines list is asked for: the first page of fifty thousand is read off its index.
    index('machine_states_need')
      .on(t.need.desc().nullsFirst(), t.dueAt.asc().nullsFirst(), t.sortKey)
      .where(sql`not retired`),
    // Narrow, for the machines are counted by level with each look at the list.
    index('machine_states_counts')
      .on(t.siteId, t.need, t.dueAt)
      .where(sql`not retired`),
    index('machine_states_tag')
      .on(t.sortKey)
      .where(sql`not retired`),
    index('machine_states_seen')
      .on(t.seenAt.asc().nullsFirst(), t.sortKey)
      .where(sql`not retired`),
    index('machine_states_site').on(t.siteId, t.areaId),
  ],
)

/** How machines were last judged, in full. It stands for nothing by itself: without it a machine is judged when it is asked for. */
export const judgements = pgTable('judgements', {
  machineId: uuid('machine_id')
    .primaryKey()
    .references(() => machines.id),
  /** What it was worked out from, in one word. */
  ground: text().notNull(),
  judgement: json().$type<Judgement>().notNull(),
})

export const audit = pgTable(
  'audit',
  {
    id: uuid().primaryKey(),
    at: at('at').notNull(),
    by: text().notNull(),
    byId: uuid('by_id'),
    what: text().notNull(),
    entity: text().notNull(),
    entityId: uuid('entity_id'),
    why: text().notNull(),
    changes: jsonb().$type<AuditEntry['changes']>().notNull(),
    /** The change's own id, where it may be sent twice: the same change is made once. */
    changeId: uuid('change_id').unique('audit_change'),
  },
  (t) => [index('audit_at').on(t.at), index('audit_entity').on(t.entityId, t.at)],
)

/** Lines of the change log that no seal stands on yet. */
export const auditWaiting = pgTable('audit_waiting', { auditId: uuid('audit_id').primaryKey() })

/**
 * Seals on the lines of the change log, each over its line and the seal before: whoever changes or takes out a line later breaks
 * every seal from there on. Hex SHA-256.
 */
export const auditSeals = pgTable('audit_seals', {
  seq: bigint({ mode: 'number' }).primaryKey(),
  auditId: uuid('audit_id').notNull().unique(),
  hash: text().notNull(),
})

export const imports = pgTable('imports', {
  id: uuid().primaryKey(),
  state: jsonb().notNull(),
  startedAt: at('started_at').notNull().defaultNow(),
})

import type { LiveFile } from '@motor-round/contract'
import type { LiveDay, LiveEvidence, LiveQuantityId, OffHours } from '@motor-round/core/live'
import {
  customType,
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  smallint,
  text,
  unique,
  uuid,
} from 'drizzle-orm/pg-core'
import { at, machines } from './schema.ts'

export const bytes = customType<{ data: Buffer; driverData: Buffer }>({ dataType: () => 'bytea' })

/** Columns of a building's files, and whose figures they are. */
export const livePoints = pgTable(
  'live_points',
  {
    id: uuid().primaryKey(),
    /** As the source calls it, in small letters. */
    name: text().notNull().unique(),
    machineId: uuid('machine_id')
      .notNull()
      .references(() => machines.id),
    quantity: text().$type<LiveQuantityId>().notNull(),
    unit: text().notNull(),
    /** What one of that unit is in the unit that is kept. */
    factor: doublePrecision().notNull(),
    by: text().notNull(),
    at: at('at').notNull(),
  },
  (t) => [unique('live_points_once').on(t.machineId, t.quantity)],
)

/** A machine and quantity under a short number: there are many chunks of each. */
export const liveSeries = pgTable(
  'live_series',
  {
    id: integer().primaryKey().generatedAlwaysAsIdentity(),
    machineId: uuid('machine_id')
      .notNull()
      .references(() => machines.id),
    quantity: text().$type<LiveQuantityId>().notNull(),
  },
  (t) => [unique('live_series_once').on(t.machineId, t.quantity)],
)

/** A day (UTC) of minutes of a series, packed, with its hours. Partitioned by year. What is old keeps its hours alone. */
export const liveChunks = pgTable(
  'live_chunks',
  {
    /** Days since 1970. */
    day: integer().notNull(),
    series: integer().notNull(),
    n: smallint().notNull(),
    hours: bytes().notNull(),
    minutes: bytes(),
  },
  (t) => [primaryKey({ columns: [t.series, t.day] })],
)

/** What a day of a machine came to, by the clock of its site. */
export const liveDays = pgTable(
  'live_days',
  {
    machineId: uuid('machine_id')
      .notNull()
      .references(() => machines.id),
    day: date().notNull(),
    summary: jsonb().$type<LiveDay>().notNull(),
  },
  (t) => [primaryKey({ columns: [t.machineId, t.day] })],
)

/** Days of machines of which new minutes came: they are summed up again from that time on. */
export const liveDirty = pgTable(
  'live_dirty',
  {
    machineId: uuid('machine_id')
      .notNull()
      .references(() => machines.id),
    day: date().notNull(),
    due: at('due').notNull(),
  },
  (t) => [primaryKey({ columns: [t.machineId, t.day] }), index('live_dirty_due').on(t.due)],
)

/** What judging takes of a machine's live data; the newest minute that came. */
export const liveStates = pgTable('live_states', {
  machineId: uuid('machine_id')
    .primaryKey()
    .references(() => machines.id),
  evidence: jsonb().$type<LiveEvidence>().notNull(),
})

/** Hours in which a machine should be off, or slow. */
export const liveOffHours = pgTable('live_off_hours', {
  machineId: uuid('machine_id')
    .primaryKey()
    .references(() => machines.id),
  offHours: jsonb('off_hours').$type<OffHours[]>().notNull(),
  by: text().notNull(),
  at: at('at').notNull(),
})

/** What became of files of live data. */
export const liveFiles = pgTable(
  'live_files',
  {
    id: uuid().primaryKey(),
    at: at('at').notNull(),
    report: jsonb().$type<LiveFile>().notNull(),
  },
  (t) => [index('live_files_at').on(t.at)],
)

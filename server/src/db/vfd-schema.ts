import type { ParameterSet, VfdProfile } from '@motor-round/core/vfd'
import { boolean, index, integer, jsonb, pgTable, text, uuid } from 'drizzle-orm/pg-core'
import { at, machines, sites } from './schema.ts'

/** Kinds of drive that were added by file. */
export const vfdProfiles = pgTable('vfd_profiles', {
  id: text().primaryKey(),
  profile: jsonb().$type<VfdProfile>().notNull(),
  by: text().notNull(),
  at: at('at').notNull(),
})

/** Where the drive of a machine answers. */
export const vfdLinks = pgTable('vfd_links', {
  machineId: uuid('machine_id')
    .primaryKey()
    .references(() => machines.id),
  host: text().notNull(),
  port: integer().notNull(),
  unit: integer().notNull(),
  profileId: text('profile_id').notNull(),
  mayWrite: boolean('may_write').notNull(),
  live: boolean().notNull().default(false),
  by: text().notNull(),
  at: at('at').notNull(),
})

/** Append-only: settings of a drive as they were read, typed or written. */
export const vfdSettings = pgTable(
  'vfd_settings',
  {
    id: uuid().primaryKey(),
    siteId: uuid('site_id')
      .notNull()
      .references(() => sites.id),
    machineId: uuid('machine_id')
      .notNull()
      .references(() => machines.id),
    visitId: uuid('visit_id').notNull(),
    takenAt: at('taken_at').notNull(),
    by: text().notNull(),
    how: text().$type<'read' | 'typed' | 'written'>().notNull(),
    set: jsonb().$type<ParameterSet>().notNull(),
    why: text().notNull(),
  },
  (t) => [index('vfd_settings_machine').on(t.machineId, t.takenAt)],
)

import { findingLevels } from '@motor-round/core/finding'
import { z } from './z.ts'
import { id, instant } from './common.ts'
import { conditionLine } from './condition.ts'
import { rail } from './judgement.ts'
import { level } from './verdict.ts'

export const listLevels = [...level.options, 'not judged'] as const

export const machineRow = z
  .object({
    machineId: id,
    siteId: id,
    areaId: id,
    unitTag: z.string(),
    tag: z.string(),
    purpose: z.string(),
    siteName: z.string(),
    areaName: z.string(),
    /** The worst of what stands; null: not judged, nothing was read that could be. */
    level: level.nullable(),
    headline: z.string(),
    /** Everything found and not yet answered, worst first. */
    conditions: z.array(conditionLine),
    /**
     * The worst that was found there and is not closed, and how much more there is; open: it was not put off. `until`: the day
     * it is looked at again, null for the next visit.
     */
    found: z
      .object({
        level: z.enum(findingLevels),
        text: z.string(),
        open: z.boolean(),
        until: z.iso.date().nullable(),
        more: z.int(),
      })
      .nullable(),
    confidence: z.enum(['full', 'low']),
    rail: rail.nullable(),
    meanVolts: z.number().nullable(),
    /** Mean amps as a share of the allowed current at the latest visits, oldest first. */
    spark: z.array(z.number()),
    seenAt: instant.nullable(),
    dueAt: instant.nullable(),
  })
  .meta({ id: 'RoofRow' })
export type MachineRow = z.infer<typeof machineRow>

export const machineSorts = ['need', 'tag', 'seen', 'load'] as const

const list = <T extends z.ZodType>(item: T) =>
  z.preprocess(
    (v) => (v === undefined || v === '' ? undefined : typeof v === 'string' ? v.split(',') : v),
    z.array(item).optional(),
  )

export const machineListQuery = z.strictObject({
  site: id.optional(),
  area: id.optional(),
  level: list(z.enum(listLevels)),
  q: z.string().trim().max(60).optional(),
  sort: z.enum(machineSorts).default('need'),
  offset: z.coerce.number().int().min(0).max(1_000_000).default(0),
  limit: z.coerce.number().int().min(1).max(500).default(200),
})

export const machineListPage = z
  .object({
    rows: z.array(machineRow),
    total: z.int(),
    counts: z.object({
      stop: z.int(),
      fix: z.int(),
      watch: z.int(),
      ok: z.int(),
      'not judged': z.int(),
      overdue: z.int(),
    }),
  })
  .meta({ id: 'RoofPage' })
export type MachineListPage = z.infer<typeof machineListPage>

import { liveQuantities, type LiveQuantityId, type OffHours } from '@motor-round/core/live'
import { z } from './z.ts'
import { id, instant, line } from './common.ts'
import { fileError } from './import-export.ts'
import { liveBeside, liveDay } from './live-evidence.ts'

const quantityIds = liveQuantities.map((q) => q.id)
export const liveQuantityId: z.ZodType<LiveQuantityId, LiveQuantityId> = z.enum(quantityIds)
const unitIds = [...new Set(liveQuantities.flatMap((q) => q.units.map((u) => u.id)))]

/** Hours of the week in which a machine should be off, or slow; minutes after midnight by the clock of its site. */
export const offHours: z.ZodType<OffHours, OffHours> = z
  .strictObject({
    days: z
      .array(z.int().min(1).max(7))
      .min(1, 'at least one day')
      .max(7)
      .refine((d) => new Set(d).size === d.length, 'a day is given twice')
      .readonly(),
    from: z.int().min(0).max(1439),
    to: z.int().min(0).max(1439),
    hz: z.number().min(1).max(120).nullable(),
  })
  .refine((o) => o.from !== o.to, { path: ['to'], message: 'from and to are the same time' })
  .meta({ id: 'OffHours' })
const allOffHours = z.array(offHours).max(14)

/** One figure of a source: a column of its files. */
export const livePointBody = z
  .strictObject({
    id,
    name: line(120).min(1, 'enter the name of the column'),
    machineId: id,
    quantity: liveQuantityId,
    unit: z.enum(unitIds),
    /** The unit was questioned, and it is right. */
    sure: z.boolean().default(false),
  })
  .meta({ id: 'LivePointBody' })
export const livePoint = z
  .object({
    id,
    name: z.string(),
    machineId: id,
    quantity: liveQuantityId,
    unit: z.string(),
    factor: z.number(),
    by: z.string(),
    at: instant,
  })
  .meta({ id: 'LivePoint' })
export type LivePoint = z.infer<typeof livePoint>

export const livePointShown = livePoint.extend({ unitTag: z.string(), tag: z.string(), siteName: z.string() })

const seen = z.object({ n: z.int(), low: z.number(), high: z.number(), middle: z.number().nullable() })

/** What became of a file of live data. */
export const liveFile = z
  .object({
    id,
    name: z.string(),
    source: z.enum(['upload', 'folder']),
    at: instant,
    by: z.string(),
    /** Refused: nothing of it was kept. */
    status: z.enum(['kept', 'refused']),
    rows: z.int(),
    /** Values that were kept, that were there already, and that were there otherwise: what was there stays. */
    kept: z.int(),
    already: z.int(),
    differ: z.int(),
    errorCount: z.int(),
    errors: z.array(fileError),
    /** Columns that belong to no machine yet, with what was seen in them. */
    unmapped: z.array(z.object({ name: z.string(), seen })),
    message: z.string(),
  })
  .meta({ id: 'LiveFile' })
export type LiveFile = z.infer<typeof liveFile>

/** Everything about where live data comes from. */
export const liveSources = z
  .object({
    points: z.array(livePointShown),
    /** Columns of the latest files that belong to no machine yet. */
    unmapped: z.array(z.object({ name: z.string(), seen, file: z.string() })),
    /** Newest first; at most 30. */
    files: z.array(liveFile),
    /** Machines whose drive is read every minute. */
    polled: z.array(z.object({ machineId: id, unitTag: z.string(), tag: z.string(), last: instant.nullable() })),
    /** Whether the server takes files from a folder. */
    folder: z.boolean(),
    /** How long every minute is kept; after that its hours. */
    keepDays: z.int(),
  })
  .meta({ id: 'LiveSources' })

export const liveSpans = ['day', 'week', 'month', 'year'] as const
export type LiveSpan = (typeof liveSpans)[number]

/** What a machine's own instruments showed over some time. */
export const livePage = z
  .object({
    from: instant,
    to: instant,
    /** By quantity: milliseconds since 1970, lowest, mean, highest of that stretch. Minutes, or hours and days of a longer time. */
    series: z.array(
      z.object({
        quantity: liveQuantityId,
        points: z.array(z.tuple([z.number(), z.number(), z.number(), z.number()])),
      }),
    ),
    /** The newest minute that came; null: none ever did. */
    last: instant.nullable(),
    /** Newest of all: what it showed then. */
    now: z.partialRecord(z.enum(quantityIds), z.number()),
    /** Days of that time, oldest first; at most 370. */
    days: z.array(liveDay),
    offHours: z.array(offHours),
    points: z.array(livePoint),
    polled: z.boolean(),
  })
  .meta({ id: 'LivePage' })
export type LivePage = z.infer<typeof livePage>

/** What a machine's own instruments show now. */
export const liveNow = livePage.pick({ last: true, now: true }).meta({ id: 'LiveNow' })
export type LiveNow = z.infer<typeof liveNow>

export const liveQuery = z.strictObject({
  span: z.enum(liveSpans).default('week'),
  /** The end of the time; left out: now. */
  until: instant.optional(),
})

export const offHoursBody = z.strictObject({ offHours: allOffHours })
export const fileOffHours = z.object({ machineId: id, offHours: allOffHours, by: z.string().max(60), at: instant })
export const fileLivePoint = livePoint.extend({
  by: z.string().max(60),
  name: line(120).refine((n) => n === n.toLowerCase(), 'in small letters'),
  factor: z.number().positive(),
})
export const fileLiveDay = z.object({ machineId: id, summary: liveDay })
export const fileLiveBeside = z.object({ machineId: id, beside: z.array(liveBeside).max(100) })

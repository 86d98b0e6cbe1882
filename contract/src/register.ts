import { z } from 'zod'
import { id, instant, line, text, version } from './common.ts'
import { plate, unitPlate } from './plate.ts'

export const unitKinds = ['RTU', 'AHU', 'MAU', 'EF', 'FCU', 'condenser', 'other'] as const
const tag = line(24).min(1)
const name = line(80).min(1)
const zone = line(60).refine((z) => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: z })
    return true
  } catch {
    return false
  }
}, 'not a time zone such as America/Halifax')

export const siteBody = z.strictObject({ id, name, zone })
export const site = siteBody.extend({ version }).meta({ id: 'Site' })
export const areaBody = z.strictObject({ id, siteId: id, name, kind: z.enum(['roof', 'room']) })
export const area = areaBody.extend({ version }).meta({ id: 'Area' })
export const unitBody = z.strictObject({
  id,
  areaId: id,
  tag,
  kind: z.enum(unitKinds),
  modelLine: line(60).default(''),
})
export const unit = unitBody.extend({ siteId: id, version }).meta({ id: 'Unit' })

export const machineBody = z.strictObject({
  id,
  unitId: id,
  tag,
  purpose: line(80).default(''),
  phases: z.union([z.literal(1), z.literal(3)]),
  serviceVolts: z.number().positive().max(1000),
  drive: z.enum(['belt', 'direct']),
  hasDrive: z.boolean(),
  hasSister: z.boolean(),
  unitPlate: unitPlate.nullable(),
})
export const machine = machineBody
  .extend({ siteId: id, version, retiredAt: instant.nullable() })
  .meta({ id: 'Machine' })
export type Machine = z.infer<typeof machine>

export const motorBody = z.strictObject({
  id,
  plate,
  connectionVolts: z.number().positive().max(1000).nullable(),
  fittedAt: instant,
  why: text(400).default(''),
  standIn: z.boolean().default(false),
})
export const motor = motorBody
  .extend({
    machineId: id,
    version,
    removedAt: instant.nullable(),
    removedWhy: z.string(),
    fittedBy: z.string(),
  })
  .meta({ id: 'Motor' })
export type Motor = z.infer<typeof motor>

/** A change of a record carries the version it was made on; a stale one is refused and told what changed. */
export const edit = <T extends z.ZodRawShape>(body: z.ZodObject<T>) => body.extend({ version })

export type Site = z.infer<typeof site>
export type Area = z.infer<typeof area>
export type Unit = z.infer<typeof unit>

import type { Controls } from '@motor-round/core/judge'
import { z } from './z.ts'
import { care } from './roof-map.ts'
import { id, instant, line, text, version } from './common.ts'
import { driveLayout, removedFor } from './installed.ts'
import { areaKind, unitKinds } from './kinds.ts'
import { plate, unitPlate } from './plate.ts'

const tag = line(24).min(1)
const name = line(80).min(1)
export const zone = line(60).refine((z) => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: z })
    return true
  } catch {
    return false
  }
}, 'not a time zone such as America/Halifax')

/** Frequency of a site's supply where it is not told by its volts and plates; null: by those. */
const hertz = z.union([z.literal(50), z.literal(60)]).nullable()
/** How a site is shown: its units, the paper of its reports, and the first day of its week. */
export const siteUnits = z.enum(['us', 'metric'])
export type SiteUnits = z.infer<typeof siteUnits>
export const siteBody = z.strictObject({
  id,
  name,
  zone,
  hertz: hertz.default(null),
  units: siteUnits.default('us'),
  paper: z.enum(['letter', 'A4']).default('letter'),
  weekStart: z.enum(['sunday', 'monday']).default('sunday'),
})
export const site = siteBody.extend({ version }).meta({ id: 'Site' })
export const areaBody = z.strictObject({ id, siteId: id, name, kind: areaKind })
export const area = areaBody.extend({ version }).meta({ id: 'Area' })
export const unitBody = z.strictObject({
  id,
  areaId: id,
  tag,
  kind: z.enum(unitKinds),
  modelLine: line(60).default(''),
  /** Left out of an edit it stays as it is. */
  care: care.optional(),
})
export const unit = unitBody.extend({ siteId: id, version, care }).meta({ id: 'Unit' })

const amperes = z.number().positive().max(10000)
const somevolts = z.number().positive().max(50000)
const oxygen = z.number().positive().max(15).nullable().optional()
const stack = z.number().positive().max(1000).nullable().optional()
/** The ranges that a burner's own nameplate or manual gives: per cent of oxygen, and the stack in °F. */
const burner = z
  .strictObject({ oxygenLow: oxygen, oxygenHigh: oxygen, stackLow: stack, stackHigh: stack })
  .superRefine((b, c) => {
    for (const [from, to] of [
      ['oxygenLow', 'oxygenHigh'],
      ['stackLow', 'stackHigh'],
    ] as const) {
      const [low, high] = [b[from] ?? null, b[to] ?? null]
      if ((low === null) !== (high === null))
        c.addIssue({ code: 'custom', path: [low === null ? from : to], message: 'enter both ends of the range' })
      else if (low !== null && high !== null && low >= high)
        c.addIssue({ code: 'custom', path: [to], message: 'is not above the lower end of its range' })
    }
  })
/** What stands between the supply and the motor; null: not known. */
export const controls = z
  .strictObject({
    starter: z.enum(['contactor', 'starter', 'none']).nullable().default(null),
    poles: z
      .union([z.literal(1), z.literal(2), z.literal(3)])
      .nullable()
      .default(null),
    overload: z.enum(['relay', 'internal', 'electronic', 'none']).nullable().default(null),
    protection: z.enum(['time-delay fuse', 'non-time-delay fuse', 'breaker']).nullable().default(null),
    protectionAmps: amperes.nullable().default(null),
    controlVolts: somevolts.nullable().default(null),
    transformer: z.strictObject({ ratedIn: somevolts, ratedOut: somevolts }).nullable().default(null),
    gasSection: z.boolean().default(false),
    burner: burner.nullable().optional(),
    phaseMonitor: z.boolean().default(false),
    capacitor: z
      .strictObject({
        run: z.number().positive().max(1000),
        second: z.number().positive().max(1000).nullable().default(null),
        volts: somevolts.nullable().default(null),
        tolerance: z.number().min(0.01).max(0.3).nullable().default(null),
      })
      .nullable()
      .default(null),
  })
  .meta({ id: 'Controls' }) satisfies z.ZodType<Controls>

export const machineBody = z.strictObject({
  id,
  unitId: id,
  tag,
  purpose: line(80).default(''),
  phases: z.union([z.literal(1), z.literal(3)]),
  serviceVolts: z.number().positive().max(1000),
  drive: z.enum(['belt', 'direct']),
  hasVfd: z.boolean(),
  hasTwin: z.boolean(),
  /** Left out of an edit they stay as they are. */
  controls: controls.optional(),
  layout: driveLayout.optional(),
  unitPlate: unitPlate.nullable(),
})
export const machine = machineBody
  .extend({ controls, layout: driveLayout, siteId: id, version, retiredAt: instant.nullable() })
  .meta({ id: 'Machine' })
export type Machine = z.infer<typeof machine>

export const motorBody = z.strictObject({
  id,
  plate,
  connectionVolts: z.number().positive().max(1000).nullable(),
  installedAt: instant,
  why: text(400).default(''),
  substitute: z.boolean().default(false),
})
export const motor = motorBody
  .extend({
    machineId: id,
    version,
    removedAt: instant.nullable(),
    removedFor,
    removedWhy: z.string(),
    installedBy: z.string(),
  })
  .meta({ id: 'Motor' })
export type Motor = z.infer<typeof motor>

/** The id of a change itself: one whose answer was lost may be sent again, and is made once. */
export const changeId = id.optional()

/** A change of a record carries the version it was made on; a stale one is refused and told what changed. */
export const edit = <T extends z.ZodRawShape>(body: z.ZodObject<T>) => body.extend({ version })

export type Site = z.infer<typeof site>
export type Area = z.infer<typeof area>
export type Unit = z.infer<typeof unit>

/** Every site with its areas and units. */
export const places = z.object({ sites: z.array(site), areas: z.array(area), units: z.array(unit) })
export type Places = z.infer<typeof places>

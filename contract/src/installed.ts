import { beltSections } from '@motor-round/core/drivetrain'
import { removedForKinds, type DriveLayout, type PartSpecs } from '@motor-round/core/installed'
import { z } from './z.ts'
import { id, instant, line, text, version } from './common.ts'

const names = beltSections.flatMap((s) => (s.notched === null ? [s.id] : [s.id, s.notched]))
const section = line(6)
  .transform((t) => t.toUpperCase())
  .refine((t) => names.includes(t), `one of ${names.join(', ')}`)
/** Millimetres. */
const length = z.number().positive().max(20_000)
const known = <T extends z.ZodType>(type: T) => type.nullable().default(null)
const grooves = z.int().min(1).max(12)
const turns = z.number().min(0).max(12)

const fixedSheave = z.strictObject({ type: z.literal('fixed'), section, pitch: length, grooves: grooves.default(1) })
const adjustableSheave = z
  .strictObject({
    type: z.literal('adjustable'),
    section,
    closed: length,
    perTurn: z.number().positive().max(50),
    most: turns.min(1),
    least: turns.default(0.5),
    step: z.union([z.literal(0.5), z.literal(1)]).default(0.5),
    grooves: grooves.default(1),
    turns,
  })
  .superRefine((s, ctx) => {
    if (s.least >= s.most) ctx.addIssue({ code: 'custom', path: ['least'], message: 'less than the greatest turns' })
    if (s.closed - s.perTurn * s.most <= 0)
      ctx.addIssue({ code: 'custom', path: ['perTurn'], message: 'that leaves no diameter at its greatest turns' })
    if (s.turns > s.most) ctx.addIssue({ code: 'custom', path: ['turns'], message: 'more than its greatest turns' })
  })

const bearing = z.strictObject({
  mark: line(40).default(''),
  type: z.enum(['ball', 'roller']).default('ball'),
  bore: known(length),
  outside: known(length),
  width: known(length),
  capacity: known(z.number().positive().max(1e7)),
  lock: known(z.enum(['eccentric collar', 'set screws', 'adapter sleeve', 'press fit'])),
  greasable: known(z.boolean()),
})

/** What each slot of a machine may hold. Lengths in millimetres. */
export const partSpecs = {
  'motor-sheave': z.union([fixedSheave, adjustableSheave]),
  'driven-sheave': fixedSheave,
  belts: z.strictObject({ section, number: z.number().positive().max(20_000), count: z.int().min(1).max(16) }),
  'bearing-de': bearing,
  'bearing-ode': bearing,
  shaft: z.strictObject({ diameter: length, key: known(length), overhang: known(length), apart: known(length) }),
  wheel: z.strictObject({
    type: z.enum(['forward-curved', 'backward-inclined', 'propeller']),
    wheels: z.union([z.literal(1), z.literal(2)]).default(1),
    diameter: known(length),
    greatestRpm: known(z.number().positive().max(20_000)),
    blades: known(z.int().min(1).max(200)),
    mass: known(z.number().positive().max(10_000)),
    clips: known(z.int().min(0).max(200)),
  }),
  filters: z.strictObject({ count: z.int().min(1).max(400), size: line(40).min(1) }),
} satisfies { [S in keyof PartSpecs]: z.ZodType<PartSpecs[S]> }

/** A part and its slot: which spec it takes follows the slot. */
export const partIn = z.discriminatedUnion('slot', [
  z.strictObject({ slot: z.literal('motor-sheave'), spec: partSpecs['motor-sheave'] }),
  z.strictObject({ slot: z.literal('driven-sheave'), spec: partSpecs['driven-sheave'] }),
  z.strictObject({ slot: z.literal('belts'), spec: partSpecs.belts }),
  z.strictObject({ slot: z.literal('bearing-de'), spec: partSpecs['bearing-de'] }),
  z.strictObject({ slot: z.literal('bearing-ode'), spec: partSpecs['bearing-ode'] }),
  z.strictObject({ slot: z.literal('shaft'), spec: partSpecs.shaft }),
  z.strictObject({ slot: z.literal('wheel'), spec: partSpecs.wheel }),
  z.strictObject({ slot: z.literal('filters'), spec: partSpecs.filters }),
])

/** Fitting a part: what is in the slot goes out at that moment, for that reason. */
export const partBody = z
  .strictObject({
    id,
    part: partIn,
    installedAt: instant,
    why: text(400).default(''),
    substitute: z.boolean().default(false),
  })
  .meta({ id: 'PartBody' })

export const removedFor = z.enum(removedForKinds).nullable()
/** Why the one in place comes out: by the kinds that are counted, and in words. */
export const cameOut = { removedFor: removedFor.default(null), removedWhy: text(400).default('') }

export const installedPart = partBody
  .extend({
    machineId: id,
    version,
    removedAt: instant.nullable(),
    removedFor,
    removedWhy: z.string(),
    installedBy: z.string(),
  })
  .meta({ id: 'InstalledPart' })
export type PartRecord = z.infer<typeof installedPart>

/** How the drive stands, besides its parts. Lengths in millimetres. */
export const driveLayout = z
  .strictObject({
    center: known(length),
    takeUp: known(z.strictObject({ least: length, most: length })),
    rotation: known(z.enum(['clockwise', 'counter-clockwise'])),
    seenFrom: known(z.enum(['drive end', 'opposite end'])),
    mounting: known(z.enum(['rigid', 'flexible'])),
    air: known(z.enum(['exhaust', 'make-up', 'supply', 'relief', 'inside'])),
    outsideShare: known(z.number().min(0).max(1)),
  })
  .superRefine((l, ctx) => {
    if (l.takeUp && l.takeUp.least > l.takeUp.most)
      ctx.addIssue({ code: 'custom', path: ['takeUp', 'least'], message: 'less than the greatest' })
  })
  .meta({ id: 'DriveLayout' }) satisfies z.ZodType<DriveLayout>

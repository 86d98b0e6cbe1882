import type { RoofMap } from '@motor-round/core/round'
import { z } from './z.ts'
import { id, line, pictureBytes, pictureType, text } from './common.ts'
import { level } from './verdict.ts'
import { areaKind, unitKinds } from './kinds.ts'

const metres = z.number().min(0).max(2000)
const beside = z.number().min(-2000).max(2000)
const spot = z.strictObject({ x: metres, y: metres })
const box = spot.extend({ w: metres.min(0.1), h: metres.min(0.1) })
const name = line(40)

/** A roof or room from above, metres from its upper left corner. */
export const roofMap = z
  .strictObject({
    width: z.number().min(2).max(2000),
    depth: z.number().min(2).max(2000),
    units: z.record(id, box),
    edge: z.array(spot).max(60).readonly(),
    hatches: z.array(spot.extend({ id, name })).max(20).readonly(),
    ladders: z
      .array(spot.extend({ id, name, to: id.nullable(), height: z.number().min(0).max(100) }))
      .max(20)
      .readonly(),
    obstacles: z
      .array(box.extend({ id, name, kind: z.enum(['obstacle', 'keep-clear']) }))
      .max(60)
      .readonly(),
    /** A picture of the roof, brought to scale; it may reach past the plan. */
    underlay: z
      .strictObject({ id, x: beside, y: beside, w: metres.min(0.1), h: metres.min(0.1) })
      .nullable()
      .default(null),
  })
  .meta({ id: 'RoofMap' }) satisfies z.ZodType<RoofMap>

/** A picture for a plan to be drawn over: shrunk by the browser, base64. */
export const mapPictureBody = z.strictObject({ id, type: pictureType, bytes: pictureBytes })

const minute = z.int().min(0).max(1440)
/** What a unit asks of those who come to it. */
export const care = z
  .strictObject({
    /** When it may be stopped, minutes of the day; none: at any time. */
    windows: z
      .array(
        z
          .strictObject({ from: minute, to: minute })
          .refine((w) => w.to > w.from, { path: ['to'], message: 'ends before it begins' }),
      )
      .max(4)
      .default([]),
    people: z.union([z.literal(1), z.literal(2)]).default(1),
    hazards: text(400).default(''),
    /** Who is told before it is stopped. */
    tell: text(200).default(''),
    /** Who watches the space it serves while it stands. */
    watch: text(200).default(''),
    /** What is lifted there, how heavy, by what and by whom. */
    lift: text(200).default(''),
    /** People or goods suffer within hours when it fails: it comes before others that are no worse. */
    critical: z.boolean().default(false),
  })
  .meta({ id: 'Care' })
export type Care = z.infer<typeof care>
export const noCare: Care = {
  windows: [],
  people: 1,
  hazards: '',
  tell: '',
  watch: '',
  lift: '',
  critical: false,
}

/** A plan with what stands on it. Version 0: nobody has drawn it yet. */
export const roofMapPage = z
  .object({
    area: z.object({ id, siteId: id, name: z.string(), kind: areaKind, siteName: z.string() }),
    map: roofMap,
    version: z.int(),
    units: z.array(
      z.object({
        id,
        tag: z.string(),
        kind: z.enum(unitKinds),
        machines: z.array(z.object({ id, tag: z.string(), level: level.nullable(), load: z.number().nullable() })),
      }),
    ),
    /** Other areas of the site, for ladders that lead there. */
    areas: z.array(z.object({ id, name: z.string() })),
  })
  .meta({ id: 'RoofMapPage' })
export type RoofMapPage = z.infer<typeof roofMapPage>

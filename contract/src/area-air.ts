import { z } from './z.ts'
import { id, instant } from './common.ts'
import { siteUnits } from './register.ts'
import { judgement } from './judgement.ts'

/** A fan of an area as the balance of its air takes it. Flow in cfm, as it was read last; null: nobody measured it. */
export const airMover = z.object({
  machineId: id,
  unitTag: z.string(),
  tag: z.string(),
  purpose: z.string(),
  air: z.enum(['exhaust', 'make-up', 'supply', 'relief', 'inside']),
  outsideShare: z.number().nullable(),
  flow: z.number().nullable(),
  at: instant.nullable(),
  level: judgement.shape.level.nullable(),
  headline: z.string(),
})
export type AirMover = z.infer<typeof airMover>

export const areaAir = z
  .object({ areaName: z.string(), siteName: z.string(), units: siteUnits, movers: z.array(airMover) })
  .meta({ id: 'AreaAir' })

import { limitRegister, type HouseRules, type LimitId } from '@motor-round/core/limits'
import { z } from 'zod'
import { version } from './common.ts'

const limitIds = Object.keys(limitRegister) as LimitId[]

export const houseRules = z
  .strictObject({
    overAmp: z.enum(['plate', 'service factor', 'trim below plate']),
    trim: z.number().min(0).max(0.2),
    limits: z.partialRecord(z.enum(limitIds), z.number()),
  })
  .superRefine((r, ctx) => {
    for (const id of limitIds) {
      const own = r.limits[id]
      if (own === undefined) continue
      const { house } = limitRegister[id]
      if (house === null)
        ctx.addIssue({ code: 'custom', path: ['limits', id], message: 'this limit is fixed by its standard' })
      else if (own < house.min || own > house.max)
        ctx.addIssue({ code: 'custom', path: ['limits', id], message: `between ${house.min} and ${house.max}` })
    }
    const watch = r.limits['current-unbalance-watch'] ?? limitRegister['current-unbalance-watch'].value
    const fix = r.limits['current-unbalance-fix'] ?? limitRegister['current-unbalance-fix'].value
    const changeWatch = r.limits['change-watch'] ?? limitRegister['change-watch'].value
    const changeFix = r.limits['change-fix'] ?? limitRegister['change-fix'].value
    if (watch >= fix)
      ctx.addIssue({ code: 'custom', path: ['limits', 'current-unbalance-watch'], message: 'watch must lie below fix' })
    if (changeWatch >= changeFix)
      ctx.addIssue({ code: 'custom', path: ['limits', 'change-watch'], message: 'watch must lie below fix' })
  })
  .meta({ id: 'HouseRules' })

export const rulesInForce = z.object({
  rules: houseRules,
  version,
  changedBy: z.string().nullable(),
  changedAt: z.string().nullable(),
})
export const rulesEdit = z.strictObject({
  rules: houseRules,
  version,
  why: z.string().trim().min(1, 'say why').max(400),
})

/** The exact optional keys of core's type and zod's partial record differ only in `undefined`. */
export const toHouseRules = (r: z.infer<typeof houseRules>): HouseRules => ({
  overAmp: r.overAmp,
  trim: r.trim,
  limits: Object.fromEntries(Object.entries(r.limits).filter(([, v]) => v !== undefined)),
})

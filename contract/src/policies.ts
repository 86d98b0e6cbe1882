import { defaultPolicies, limitRegister, type Policies, type LimitId } from '@motor-round/core/limits'
import { z } from './z.ts'
import { version } from './common.ts'
import { level } from './verdict.ts'

const limitIds = Object.keys(limitRegister) as LimitId[]

/** Limits of which the first must lie below the second. */
const ordered: readonly (readonly [LimitId, LimitId, string])[] = [
  ['current-unbalance-watch', 'current-unbalance-fix', 'watch must be below fix'],
  ['current-unbalance-fix', 'current-unbalance-stop', 'fix must be below stop'],
  ['ground-amps-stop', 'ground-amps-drive', 'the limit without a drive must be below the limit with a drive'],
  ['dead-volts', 'proof-volts', 'the de-energized limit must be below the volts that prove the meter'],
  ['return-fix', 'return-watch', 'the return time for Fix must be shorter than for Watch'],
  ['change-watch', 'change-fix', 'watch must be below fix'],
  ['contact-drop-watch', 'contact-drop-fix', 'watch must be below fix'],
  ['ground-amps-watch', 'ground-amps-stop', 'watch must be below stop'],
  ['filter-drop-watch', 'filter-drop-fix', 'watch must be below fix'],
  ['insulation-fall-fix', 'insulation-fall-watch', 'the fix limit must be the lower share'],
  ['winding-even', 'winding-reject', 'the balanced limit must be below the unbalanced limit'],
]

export const policies = z
  .strictObject({
    overAmp: z.enum(['plate', 'service factor', 'trim below plate']),
    trim: z.number().min(0).max(0.2),
    insulation: z
      .enum(['random-wound 5', 'kV plus 1', 'form-wound 100', 'lamp 30'])
      .default(defaultPolicies.insulation),
    insulationSystem: z.enum(['thermosetting', 'thermoplastic']).default(defaultPolicies.insulationSystem),
    capacitor: z.enum(['new with the motor', 'keep if it measures']).default(defaultPolicies.capacitor),
    beltTension: z
      .enum(['deflection and force', 'half an inch', 'span note', 'firm by hand'])
      .default(defaultPolicies.beltTension),
    temperature: z.enum(['F', 'C']).default(defaultPolicies.temperature),
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
    for (const [lower, higher, message] of ordered) {
      const value = (id: LimitId) => r.limits[id] ?? limitRegister[id].value
      if (value(lower) >= value(higher)) ctx.addIssue({ code: 'custom', path: ['limits', lower], message })
    }
  })
  .meta({ id: 'HouseRules' })

/** What a change of the rules would do, before it is made. */
export const policiesEffect = z.object({
  machines: z.int(),
  /** Machines whose level changes, worst new level first. */
  changed: z.array(
    z.object({
      machineId: z.string(),
      unitTag: z.string(),
      tag: z.string(),
      from: level,
      to: level,
      because: z.string(),
    }),
  ),
})
export const policiesInForce = z.object({
  policies: policies,
  version,
  changedBy: z.string().nullable(),
  changedAt: z.string().nullable(),
})
export const policiesEdit = z.strictObject({
  policies: policies,
  version,
  why: z.string().trim().min(1, 'enter the reason').max(400),
})

/** The exact optional keys of core's type and zod's partial record differ only in `undefined`. */
export const toPolicies = (r: z.infer<typeof policies>): Policies => ({
  ...r,
  limits: Object.fromEntries(Object.entries(r.limits).filter(([, v]) => v !== undefined)),
})

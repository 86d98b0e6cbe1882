import { subjects } from '@motor-round/core/judge'
import { z } from './z.ts'
import { id, instant, line, text } from './common.ts'
import { level, verdict } from './verdict.ts'

/** What a condition is closed by: its check and its positions, as `terminals@wires`. */
const conditionKey = line(200).regex(/^[a-z-]+@/, 'not the key of a condition')

/** A person closes what stands at a machine, or opens it again. Facts: kept once, never changed. */
export const conditionClosingBody = z
  .strictObject({
    id,
    machineId: id,
    key: conditionKey,
    at: instant,
    kind: z.enum(['closed', 'reopened']),
    reason: text(400),
  })
  .superRefine((c, ctx) => {
    if (c.reason.trim() === '') ctx.addIssue({ code: 'custom', path: ['reason'], message: 'enter the reason' })
  })

export const conditionClosing = conditionClosingBody.safeExtend({ by: z.string() }).meta({ id: 'ConditionClosing' })
export type ClosingRecord = z.infer<typeof conditionClosing>

/**
 * A finding is closed as a finding, with what became of it, a trace and a job by finishing them, a permit that ran out by its job or
 * by being extended; everything else by its key.
 */
export const isClosable = (key: string): boolean => !/^(finding|trace|job|permit)@/.test(key)

/** Something found at a machine that nobody has answered yet. Instants in ms since 1970. */
export const condition = z
  .object({
    key: z.string(),
    level,
    verdict,
    positions: z.array(z.string()).readonly(),
    since: z.number(),
    seenAt: z.number(),
    by: z.string().nullable(),
    visit: z.string().nullable(),
    retest: z.boolean(),
    until: z.number().nullable(),
    putOff: z.boolean(),
  })
  .meta({ id: 'Condition' })

/** A condition as lists of machines show it. */
export const conditionLine = z.object({
  key: z.string(),
  level,
  subject: z.enum(subjects),
  because: z.string(),
  next: z.string(),
  since: z.number(),
  by: z.string().nullable(),
})
export type ConditionLine = z.infer<typeof conditionLine>

/** A condition as lists of machines show it. */
export const conditionLineOf = (k: z.infer<typeof condition>): ConditionLine => ({
  key: k.key,
  level: k.level,
  subject: k.verdict.subject,
  because: k.verdict.because,
  next: k.verdict.next,
  since: k.since,
  by: k.by,
})

import type { Judgement } from '@motor-round/core/judge'
import { z } from './z.ts'
import { line } from './common.ts'
import { condition } from './condition.ts'
import { overall, verdict } from './verdict.ts'

export const rail = z
  .object({
    allowed: z.number().nullable(),
    columnVolts: z.number().nullable(),
    source: z.enum(['motor plate', 'unit plate']).nullable(),
    legs: z.array(z.object({ name: z.string(), amps: z.number() })).readonly(),
    usual: z.object({ low: z.number(), high: z.number() }).nullable(),
  })
  .meta({ id: 'Rail' })

const spot = z.object({ at: z.number(), value: z.number() })
const fit = z.object({
  perYear: z.number(),
  low: z.number(),
  high: z.number(),
  n: z.int(),
  from: spot,
  to: spot,
})
const meets = z.object({ at: z.number(), earliest: z.number(), latest: z.number().nullable() })

const drift = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('too few'), n: z.int(), needed: z.int() }),
  z.object({ kind: z.literal('none'), fit }),
  z.object({ kind: z.enum(['rising', 'falling']), fit, meets: meets.nullable() }),
])

export const gatePass = z.strictObject({
  gate: z.enum(['dead', 'restore', 'live', 'close']),
  by: line(60).min(1),
  reason: line(400).min(1),
})

const gate = z.object({
  id: z.enum(['dead', 'restore', 'live', 'close']),
  steps: z.array(z.object({ id: z.string(), words: z.string(), met: z.boolean() })).readonly(),
  bars: z.string().nullable(),
  passed: gatePass.nullable(),
  open: z.boolean(),
})

export const judgement = z
  .object({
    level: overall,
    headline: z.string(),
    verdicts: z.array(verdict).readonly(),
    conditions: z.array(condition).readonly(),
    retests: z
      .array(z.object({ id: z.string(), words: z.string(), since: z.number(), because: z.string() }))
      .readonly(),
    completeness: z.object({
      on: z.array(z.string()).readonly(),
      missing: z.array(z.string()).readonly(),
      summary: z.string(),
    }),
    confidence: z.enum(['full', 'low']),
    rail,
    drift,
    usual: z.object({ low: z.number(), middle: z.number(), high: z.number(), n: z.int() }).nullable(),
    okUpTo: z.number().nullable(),
    gates: z.array(gate).readonly(),
    failures: z.array(z.object({ check: z.string(), message: z.string() })).readonly(),
  })
  .meta({ id: 'Judgement' }) satisfies z.ZodType<Judgement>

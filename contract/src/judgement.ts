import { levels, type Judgement } from '@motor-round/core/judge'
import { z } from 'zod'
import { line } from './common.ts'

export const level = z.enum(levels)

const basis = z.object({
  kind: z.enum(['standard', 'plate', 'history', 'house rule', 'common practice']),
  text: z.string(),
  sure: z.enum(['certain', 'from memory', 'common practice']),
})

export const verdict = z
  .object({
    check: z.string(),
    level,
    about: z.string(),
    value: z.number().nullable(),
    limit: z.number().nullable(),
    basis: z.array(basis).readonly(),
    because: z.string(),
    next: z.string(),
    confidence: z.enum(['full', 'low']),
  })
  .meta({ id: 'Verdict' })

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
  gate: z.enum(['dead', 'restore', 'live']),
  by: line(60).min(1),
  reason: line(400).min(1),
})

const gate = z.object({
  id: z.enum(['dead', 'restore', 'live']),
  steps: z.array(z.object({ id: z.string(), words: z.string(), met: z.boolean() })).readonly(),
  bars: z.string().nullable(),
  passed: gatePass.nullable(),
  open: z.boolean(),
})

export const judgement = z
  .object({
    level,
    headline: z.string(),
    verdicts: z.array(verdict).readonly(),
    confidence: z.enum(['full', 'low']),
    rail,
    drift,
    usual: z.object({ low: z.number(), middle: z.number(), high: z.number(), n: z.int() }).nullable(),
    okUpTo: z.number().nullable(),
    gates: z.array(gate).readonly(),
  })
  .meta({ id: 'Judgement' }) satisfies z.ZodType<Judgement>

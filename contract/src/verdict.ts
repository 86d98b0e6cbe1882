import { levels, subjects } from '@motor-round/core/judge'
import { z } from './z.ts'

export const level = z.enum(levels)
/** A level, or that nothing was read which could be judged. */
export const overall = z.enum([...levels, 'not judged'])

const basis = z.object({
  kind: z.enum(['standard', 'plate', 'history', 'site policy', 'common practice']),
  text: z.string(),
  sure: z.enum(['certain', 'from memory', 'common practice']),
})

export const verdict = z
  .object({
    check: z.string(),
    level,
    about: z.string(),
    subject: z.enum(subjects),
    positions: z.array(z.string()).readonly(),
    settles: z.boolean(),
    ofVisit: z.boolean(),
    since: z.number().optional(),
    value: z.number().nullable(),
    limit: z.number().nullable(),
    basis: z.array(basis).readonly(),
    because: z.string(),
    next: z.string(),
    confidence: z.enum(['full', 'low']),
  })
  .meta({ id: 'Verdict' })

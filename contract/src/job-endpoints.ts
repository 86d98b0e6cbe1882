import type { JobStands } from '@motor-round/core/job'
import { z } from 'zod'
import { id, instant } from './common.ts'
import { at } from './define-endpoint.ts'
import { jobDecisions } from './job.ts'

const jobStates = [
  'open',
  ...jobDecisions,
  'at work',
  'paused',
  'closed',
] as const satisfies readonly JobStands['state'][]

/** A job as the list of all shows it. */
export const jobLine = z
  .object({
    id,
    machineId: id,
    unitTag: z.string(),
    tag: z.string(),
    siteName: z.string(),
    title: z.string(),
    at: instant,
    state: z.enum(jobStates),
    /** It was postponed, and what brings it back has come: why, and what was watched. */
    back: z
      .object({
        because: z.enum(['day', 'rise', 'visit']),
        figure: z.object({ words: z.string(), then: z.number(), now: z.number(), unit: z.string() }).nullable(),
      })
      .nullable(),
    /** When it was last decided; null: it was not. */
    decidedAt: instant.nullable(),
    /** It runs with something wrong, by leave; null: it does not. */
    permit: z.object({ until: z.iso.date(), expired: z.boolean(), readDue: z.boolean() }).nullable(),
    done: z.int(),
    steps: z.int(),
    /** What was taken off at it and is not back. */
    open: z.array(z.string()),
  })
  .meta({ id: 'JobLine' })
export type JobLine = z.infer<typeof jobLine>

export const jobEndpoints = {
  jobs: at('jobs', 'get', '/jobs', {
    role: 'viewer',
    summary: 'Jobs that are not closed, those that are due again first; and those that were closed of late',
    response: z.object({ jobs: z.array(jobLine) }),
  }),
}

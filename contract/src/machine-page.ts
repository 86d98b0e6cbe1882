import { z } from 'zod'
import { id, instant } from './common.ts'
import { conditionClosing } from './condition.ts'
import { finding } from './finding.ts'
import { fittedPart } from './fitted.ts'
import { judgement } from './judgement.ts'
import { plan } from './plan.ts'
import { area, machine, motor, site, unit } from './register.ts'
import { stop, stopState, work } from './stop.ts'

/** What another fan of the same unit carried when it was last read: mean of its legs over its allowed current. */
export const sisterLoad = z.object({
  tag: z.string(),
  load: z.number(),
  at: instant,
  /** Output of its drive then, hertz; null: not known. */
  hz: z.number().nullable().optional(),
  /** What it was doing then; null: not known. */
  state: stopState.nullable().optional(),
})
export type SisterLoad = z.infer<typeof sisterLoad>

/** Everything the machine page and the stop page show, and all that judging in the hand needs. */
export const machinePage = z
  .object({
    machine,
    unit,
    area,
    site,
    motor: motor.nullable(),
    pastMotors: z.array(motor),
    sisters: z.array(sisterLoad),
    /** Loads of other machines with the same plate power, supply and kind of unit; at most 60. */
    peers: z.array(sisterLoad),
    siblings: z.array(z.object({ id, unitTag: z.string(), tag: z.string() })),
    /** Newest first; superseded ones carry the id of what replaced them. At most 400. */
    stops: z.array(stop),
    moreStops: z.int(),
    work: z.array(work),
    /** Everything fitted besides motors, and what was; oldest first. */
    parts: z.array(fittedPart),
    /** Changes worked out on the bench, newest first. */
    plans: z.array(plan),
    /** What was found here: the worst that is open first, what is closed last. */
    findings: z.array(finding).default([]),
    /** What persons closed or opened again, oldest first. */
    closings: z.array(conditionClosing).default([]),
    judgement: judgement.nullable(),
    dueAt: instant.nullable(),
  })
  .meta({ id: 'MachinePage' })
export type MachinePage = z.infer<typeof machinePage>

export const foundMachine = z.object({
  id,
  unitTag: z.string(),
  tag: z.string(),
  purpose: z.string(),
  siteName: z.string(),
})

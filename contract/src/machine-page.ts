import { z } from './z.ts'
import { id, instant } from './common.ts'
import { conditionClosing } from './condition.ts'
import { finding } from './finding.ts'
import { installedPart } from './installed.ts'
import { judgement } from './judgement.ts'
import { liveEvidence } from './live-evidence.ts'
import { speedChange } from './speed-change.ts'
import { area, machine, motor, site, unit } from './register.ts'
import { job } from './job.ts'
import { peerTrace, trace } from './trace.ts'
import { visit, visitState, work } from './visit.ts'

/** What another fan of the same unit carried when it was last read: mean of its legs over its allowed current. */
export const twinLoad = z.object({
  tag: z.string(),
  load: z.number(),
  at: instant,
  /** Output of its drive then, hertz; null: not known. */
  hz: z.number().nullable().optional(),
  /** What it was doing then; null: not known. */
  state: visitState.nullable().optional(),
})
export type TwinLoad = z.infer<typeof twinLoad>

/** Everything the machine page and the visit page show, and all that judging in the hand needs. */
export const machinePage = z
  .object({
    machine,
    unit,
    area,
    site,
    motor: motor.nullable(),
    pastMotors: z.array(motor),
    twins: z.array(twinLoad),
    /** Loads of other machines with the same plate power, supply and kind of unit; at most 60. */
    peers: z.array(twinLoad),
    siblings: z.array(z.object({ id, unitTag: z.string(), tag: z.string() })),
    /** Newest first; superseded ones carry the id of what replaced them. At most 400. */
    visits: z.array(visit),
    moreVisits: z.int(),
    work: z.array(work),
    /** Everything installed besides motors, and what was; oldest first. */
    parts: z.array(installedPart),
    /** Speed changes worked out, newest first. */
    speedChanges: z.array(speedChange),
    /** What was found here: the worst that is open first, what is closed last. */
    findings: z.array(finding).default([]),
    /** What persons closed or opened again, oldest first. */
    closings: z.array(conditionClosing).default([]),
    /** Searches for a fault, newest first. */
    traces: z.array(trace).default([]),
    /** What traces of machines like it came to, newest first; at most 20. */
    peerTraces: z.array(peerTrace).default([]),
    /** Jobs, newest first. */
    jobs: z.array(job).default([]),
    /** What the building's own instruments showed; null where none is sent. */
    live: liveEvidence.nullable().default(null),
    /** The last instant at which a day that something was put off or allowed to had come; null: none had. */
    turnedAt: instant.nullable().default(null),
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

/** What a machine is looked for by: part of its tag or name. */
export const findQuery = z.strictObject({ q: z.string().trim().max(60) })

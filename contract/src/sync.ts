import { z } from './z.ts'
import { roofMap } from './roof-map.ts'
import { id, instant, line, text } from './common.ts'
import { plateAsTyped } from './plate.ts'
import { conditionClosingBody } from './condition.ts'
import { findingBody, findingStepBody } from './finding.ts'
import { cameOut, partBody } from './installed.ts'
import { speedChangeBody } from './speed-change.ts'
import { edit, motorBody } from './register.ts'
import { foundBody, pictureBody, roundEventBody } from './round.ts'
import { jobBody, jobStepBody } from './job.ts'
import { stockMoveBody } from './stock.ts'
import { traceBody, traceStepBody } from './trace.ts'
import { overall } from './verdict.ts'
import { visitBody, workBody } from './visit.ts'

/**
 * A motor installed offline. `replaces`: the one that was seen in place there, null for none; where the server has another
 * by then, both are shown.
 */
export const motorInstalled = motorBody.extend({ machineId: id, ...cameOut, replaces: id.nullable() })

/** The same while it is typed on a device. The day is as a form has it, without a zone. */
export const motorDraft = motorInstalled
  .omit({ machineId: true })
  .extend({ plate: plateAsTyped, installedAt: z.string().max(40) })
export type MotorDraft = z.output<typeof motorDraft>
/** A part installed offline. */
export const partInstalled = partBody.extend({ machineId: id, ...cameOut })
/** A nameplate corrected offline; `id` is the correction's own, `version` that of the nameplate it was made on. */
export const plateCorrected = edit(motorBody).extend({ motorId: id, machineId: id })
/** A planned speed change that was done offline; `id` is that of the work or of the sheave it comes to. */
export const speedChangeDoneOffline = z.strictObject({
  id,
  speedChangeId: id,
  machineId: id,
  beltsId: id,
  doneAt: instant,
  note: text(400).default(''),
})
/** A roof map drawn offline, on the version it was begun from. */
export const mapDrawn = z.strictObject({ id, areaId: id, version: z.int().min(0), map: roofMap })

const entry = <K extends string, B extends z.ZodType>(kind: K, body: B) =>
  z.strictObject({ n: z.int().min(0), kind: z.literal(kind), body })
/** What a device sends, in the order in which it was made there. */
export const batchMutation = z.discriminatedUnion('kind', [
  entry('found', foundBody),
  entry('visit', visitBody),
  entry('work', workBody),
  entry('picture', pictureBody),
  entry('event', roundEventBody),
  entry('finding', findingBody),
  entry('finding-step', findingStepBody),
  entry('closing', conditionClosingBody),
  entry('trace', traceBody),
  entry('trace-step', traceStepBody),
  entry('job', jobBody),
  entry('job-step', jobStepBody),
  entry('stock-move', stockMoveBody),
  entry('motor', motorInstalled),
  entry('plate', plateCorrected),
  entry('part', partInstalled),
  entry('roof-map', mapDrawn),
  entry('speed-change', speedChangeBody),
  entry('speed-change-done', speedChangeDoneOffline),
])
export type BatchMutation = z.infer<typeof batchMutation>
export type BatchMutationInput = z.input<typeof batchMutation>

/** A batch. Mutations are read one by one, so that one that is wrong does not hold back the others. */
export const syncBody = z.strictObject({
  device: line(80).min(1),
  mutations: z.array(z.looseObject({ n: z.int().min(0) })).max(200),
})
const syncResult = z.object({
  n: z.int(),
  /** applied: now; duplicate: before; rejected: it never will be, and why; blocked: it depends on one that was rejected. */
  outcome: z.enum(['applied', 'duplicate', 'rejected', 'blocked']),
  problem: z
    .object({
      detail: z.string(),
      errors: z.array(z.object({ path: z.string(), message: z.string() })),
      /** What the server has instead, where somebody changed it meanwhile: both are shown, and a person decides. */
      current: z.unknown().optional(),
    })
    .nullable(),
  /**
   * Of a visit: how the server judges it, of several to one machine in the batch the newest alone; and other people's visits to
   * that machine since the device went offline.
   */
  judged: z.object({ level: overall, headline: z.string() }).nullable(),
  others: z.array(z.object({ visitId: id, by: z.string(), takenAt: instant })),
})
export type SyncResult = z.infer<typeof syncResult>
export const syncAnswer = z.object({ results: z.array(syncResult), now: instant, policiesVersion: z.int() })

/** A device about itself: it downloaded a round, or has synced all of it. */
export const deviceBody = z.strictObject({ device: line(80).min(1), roundId: id, holds: z.int().min(0).max(100_000) })

/** What the outbox of a device that never synced is exported to. */
export const phoneFile = z
  .strictObject({
    format: z.literal('motor-round-phone'),
    formatVersion: z.literal(1),
    device: line(80).min(1),
    by: z.string().max(60),
    savedAt: instant,
    /** Of mutations that another person entered on that device: their name, by `n`. */
    authors: z.record(z.string(), z.string().max(60)).default({}),
    mutations: z.array(batchMutation).max(20_000),
  })
  .meta({ id: 'PhoneFile' })
export type PhoneFile = z.infer<typeof phoneFile>

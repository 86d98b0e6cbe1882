import { z } from 'zod'
import { roofMap } from './roof-map.ts'
import { id, instant, line, text } from './common.ts'
import { conditionClosingBody } from './condition.ts'
import { findingBody, findingStepBody } from './finding.ts'
import { cameOut, partBody } from './fitted.ts'
import { judgement } from './judgement.ts'
import { speedChangeBody } from './speed-change.ts'
import { edit, motorBody } from './register.ts'
import { foundBody, pictureBody, roundEventBody } from './round.ts'
import { visitBody, workBody } from './visit.ts'

/**
 * A motor fitted on the roof. `replaces`: the one that was seen in place there, null for none; where another is in the
 * book by then, both are shown.
 */
export const motorFitted = motorBody.extend({ machineId: id, ...cameOut, replaces: id.nullable() })
/** A part fitted on the roof. */
export const partFitted = partBody.extend({ machineId: id, ...cameOut })
/** A plate corrected on the roof; `id` is the correction's own, `version` that of the plate it was made on. */
export const plateCorrected = edit(motorBody).extend({ motorId: id, machineId: id })
/** A change from the bench that was done on the roof; `id` is that of the work or of the sheave it comes to. */
export const speedChangeDoneOffline = z.strictObject({
  id,
  speedChangeId: id,
  machineId: id,
  beltsId: id,
  doneAt: instant,
  note: text(400).default(''),
})
/** A plan drawn on the roof, on the version it was begun from. */
export const mapDrawn = z.strictObject({ id, areaId: id, version: z.int().min(0), map: roofMap })

const entry = <K extends string, B extends z.ZodType>(kind: K, body: B) =>
  z.strictObject({ n: z.int().min(0), kind: z.literal(kind), body })
/** What a phone brings home, in the order in which it happened there. */
export const syncEntry = z.discriminatedUnion('kind', [
  entry('found', foundBody),
  entry('visit', visitBody),
  entry('work', workBody),
  entry('picture', pictureBody),
  entry('event', roundEventBody),
  entry('finding', findingBody),
  entry('finding-step', findingStepBody),
  entry('closing', conditionClosingBody),
  entry('motor', motorFitted),
  entry('plate', plateCorrected),
  entry('part', partFitted),
  entry('roof-map', mapDrawn),
  entry('speed-change', speedChangeBody),
  entry('speed-change-done', speedChangeDoneOffline),
])
export type SyncEntry = z.infer<typeof syncEntry>
export type SyncEntryInput = z.input<typeof syncEntry>

/** Entries are read one by one, so that one that is wrong does not hold back the others. */
export const syncBody = z.strictObject({
  device: line(80).min(1),
  entries: z.array(z.looseObject({ n: z.int().min(0) })).max(200),
})
const syncResult = z.object({
  n: z.int(),
  /** kept: now or before; refused: it never will be, and why; held: it comes after one that was not kept. */
  outcome: z.enum(['kept', 'already', 'refused', 'held']),
  problem: z
    .object({
      detail: z.string(),
      errors: z.array(z.object({ path: z.string(), message: z.string() })),
      /** What is in the book instead, where somebody changed it meanwhile: both are shown, and a person decides. */
      current: z.unknown().optional(),
    })
    .nullable(),
  /** Of a visit: how the server judges it, and other people's stops at that machine since the phone left. */
  judgement: judgement.nullable(),
  others: z.array(z.object({ visitId: id, by: z.string(), takenAt: instant })),
})
export type SyncResult = z.infer<typeof syncResult>
export const syncAnswer = z.object({ results: z.array(syncResult), now: instant, policiesVersion: z.int() })

/** A phone's own words about itself: it takes a round along, or has brought all of it home. */
export const deviceBody = z.strictObject({ device: line(80).min(1), roundId: id, holds: z.int().min(0).max(100_000) })

/** What a phone that never came home is emptied to. */
export const phoneFile = z
  .strictObject({
    format: z.literal('motor-round-phone'),
    formatVersion: z.literal(1),
    device: line(80).min(1),
    by: z.string().max(60),
    savedAt: instant,
    /** Of entries that another person took on that phone: their name, by `n`. */
    takenBy: z.record(z.string(), z.string().max(60)).default({}),
    entries: z.array(syncEntry).max(20_000),
  })
  .meta({ id: 'PhoneFile' })
export type PhoneFile = z.infer<typeof phoneFile>

import type { Confidence, Setup } from '@motor-round/core/trace'
import { z } from './z.ts'
import { id, instant, line, text } from './common.ts'

/** A name of the knowledge of `core/trace`: what there is under it the server says, so that a page that traces nothing does not load it. */
const known = line(40).min(1)

export const setups = ['as found', 'locked out', 'powered'] as const satisfies readonly Setup[]
export const traceConfidences = ['proven', 'very likely', 'likely', 'open'] as const satisfies readonly Confidence[]

/** A search for what is wrong with a machine: from what was reported to a cause with its proof. */
export const traceBody = z.strictObject({
  id,
  machineId: id,
  /** The visit it was opened from: what was read there is evidence. */
  visitId: id.nullable().default(null),
  at: instant,
  complaint: known.nullable(),
  /** What was reported, in the caller's words. */
  words: line(300).default(''),
})

const step = { id, traceId: id, machineId: id, at: instant }
const reason = text(400).refine((t) => t.trim() !== '', 'enter the reason')

/** What happened in a trace. Facts: kept once, never changed. */
export const traceStepBody = z.discriminatedUnion('kind', [
  z.strictObject({ ...step, kind: z.literal('result'), test: known, outcome: known, note: text(400).default('') }),
  z.strictObject({ ...step, kind: z.literal('struck'), evidence: line(120).min(1), reason }),
  z.strictObject({ ...step, kind: z.literal('restored'), evidence: line(120).min(1) }),
  z.strictObject({ ...step, kind: z.literal('setup'), setup: z.enum(setups) }),
  z.strictObject({ ...step, kind: z.literal('dropped'), cause: known, reason, p: z.number().min(0).max(1) }),
  z.strictObject({ ...step, kind: z.literal('tripped again') }),
  z.strictObject({
    ...step,
    kind: z.literal('closed'),
    cause: known,
    confidence: z.enum(traceConfidences),
    note: text(400).default(''),
  }),
])
export type TraceStepBody = z.output<typeof traceStepBody>

type Without<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never
/** Kind of a step and what belongs to it. */
export type TraceSaid = Without<TraceStepBody, keyof typeof step>

const by = z.string()
export const traceStep = z.intersection(traceStepBody, z.object({ by }))
export type TraceStepRecord = z.output<typeof traceStep>

/** A trace with all that happened in it, oldest first. */
export const trace = z.object({ ...traceBody.shape, by, steps: z.array(traceStep) }).meta({ id: 'Trace' })
export type TraceRecord = z.output<typeof trace>

/** What a trace of a machine like it came to. */
export const peerTrace = z.object({
  machineId: id,
  unitTag: z.string(),
  tag: z.string(),
  at: instant,
  cause: z.string(),
  confidence: z.enum(traceConfidences),
})
export type PeerTrace = z.output<typeof peerTrace>

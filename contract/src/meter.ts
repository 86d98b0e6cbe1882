import { unitPatterns } from '@motor-round/core/machine'
import { quantities } from '@motor-round/core/quantity'
import { z } from './z.ts'
import { id } from './common.ts'

/**
 * The open protocol of meters: JSON lines over a WebSocket, one object a message. The page sends where the probe is; the
 * meter answers with a stream of samples until it is moved.
 */
export const meterAsk = z.discriminatedUnion('ask', [
  /** The probe is put somewhere: a quantity at a position, by the codes of the readings. */
  z.strictObject({
    ask: z.literal('probe'),
    quantity: z.enum(quantities.map((q) => q.code)),
    position: z.string().max(12),
  }),
  /** The probe is taken off. */
  z.strictObject({ ask: z.literal('off') }),
])
export type MeterAsk = z.infer<typeof meterAsk>

export const meterLine = z.discriminatedUnion('say', [
  /** First line: who speaks, and which quantities it can read. */
  z.object({
    say: z.literal('hello'),
    protocol: z.literal('motor-round-meter/1'),
    meter: z.string().max(80),
    quantities: z.array(z.string()),
  }),
  /** One sample, in the unit the quantity is kept in; `at` in ms since any start. */
  z.object({
    say: z.literal('sample'),
    at: z.number(),
    quantity: z.string(),
    position: z.string(),
    value: z.number(),
    over: z.boolean(),
    digits: z.int().min(0).max(6),
  }),
  /** What a tester shows as a word: the phase sequence. */
  z.object({ say: z.literal('word'), question: z.string(), value: z.string() }),
  /** What went wrong, for a person to read. */
  z.object({ say: z.literal('problem'), message: z.string() }),
])
export type MeterLine = z.infer<typeof meterLine>

/** Address of the simulated meters that ship with the product. */
export const simulatedMeterPath = '/api/v1/meters/simulated'
export const simulatedMeterQuery = z.strictObject({
  machine: id,
  pattern: z.enum(unitPatterns.map((p) => p.id)).default('healthy'),
})

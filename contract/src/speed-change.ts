import type { DriveToday, Prediction } from '@motor-round/core/speed-change'
import { mean } from '@motor-round/core/quantity'
import { z } from './z.ts'
import { id, instant, text } from './common.ts'

const amperes = z.number().positive().max(10_000)
const pitch = z.number().positive().max(5000)

/** A change of a fan's speed. Lengths in millimetres. */
export const changeOfSpeed = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('turns'), turns: z.number().min(0).max(12) }),
  z.strictObject({ kind: z.literal('motor sheave'), pitch }),
  z.strictObject({ kind: z.literal('driven sheave'), pitch }),
  z.strictObject({ kind: z.literal('hertz'), hz: z.number().positive().max(120) }),
])

/** What a change was predicted to do, kept to be compared with what comes of it. */
export const planned = z.strictObject({
  was: amperes,
  amps: amperes,
  low: amperes,
  high: amperes,
  fanRpm: z.number().positive().max(20_000),
  fanRpmNow: z.number().positive().max(20_000),
  /** Share of today's air. */
  airShare: z.number().nonnegative().max(20),
  /** Where the motor base comes to stand, mm, and the belt that has to be brought; null where it is not known, or stays. */
  center: pitch.nullable(),
  newBelt: z.strictObject({ section: z.string().max(6), number: z.number().positive().max(20_000) }).nullable(),
})

/** A prediction as a plan keeps it. */
export const predictionOf = (today: Pick<DriveToday, 'legs'>, p: Prediction): z.infer<typeof planned> => ({
  was: mean(today.legs),
  amps: p.amps,
  low: p.low,
  high: p.high,
  fanRpm: p.fanRpm,
  fanRpmNow: p.fanRpmNow,
  airShare: p.airShare,
  center: p.base?.center ?? null,
  newBelt: p.base?.newBelt ? { section: p.base.newBelt.section, number: p.base.newBelt.number } : null,
})

/** A speed change worked out for a machine, to be done. */
export const speedChangeBody = z
  .strictObject({
    id,
    machineId: id,
    madeAt: instant,
    change: changeOfSpeed,
    predicted: planned,
    note: text(400).default(''),
  })
  .meta({ id: 'SpeedChangeBody' })

export const speedChange = speedChangeBody
  .extend({
    by: z.string(),
    doneAt: instant.nullable(),
    droppedAt: instant.nullable(),
    droppedWhy: z.string(),
    /** The first visit after it that is comparable: what came of it. */
    measured: z.object({ visitId: id, at: instant, amps: z.number() }).nullable(),
  })
  .meta({ id: 'SpeedChange' })
export type SpeedChangeRecord = z.infer<typeof speedChange>

/** A speed change with its machine: the record of how accurate predictions were. */
export const speedChangeOfSite = z.object({ speedChange, unitTag: z.string(), tag: z.string() })

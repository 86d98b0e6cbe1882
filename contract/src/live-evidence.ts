import type { LiveDay, LiveEvidence } from '@motor-round/core/live'
import { z } from './z.ts'

const minutes = z.int().min(0).max(1560)
const day = z.iso.date()

/** What a day of minutes came to. Minutes, A, Hz. */
export const liveDay: z.ZodType<LiveDay, LiveDay> = z
  .object({
    day,
    at: z.number(),
    minutes,
    known: minutes,
    ran: minutes,
    starts: minutes,
    mostStarts: minutes,
    callOn: minutes,
    callOff: minutes,
    offHours: minutes,
    slowHours: minutes,
    uncalled: minutes,
    ranOff: minutes,
    unanswered: minutes,
    tooFast: minutes,
    mostAmps: z.number().nullable(),
    bins: z
      .array(z.object({ hz: z.number().nullable(), amps: z.number(), minutes }))
      .max(8)
      .readonly(),
  })
  .meta({ id: 'LiveDay' })

export const liveBeside = z.object({ at: z.number(), amps: z.number().nullable(), hz: z.number().nullable() })

/** What judging takes of a machine's live data. */
export const liveEvidence: z.ZodType<LiveEvidence, LiveEvidence> = z
  .object({
    days: z.array(liveDay).readonly(),
    beside: z.array(liveBeside).readonly(),
  })
  .meta({ id: 'LiveEvidence' })

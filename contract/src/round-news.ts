import { z } from './z.ts'
import { finding } from './finding.ts'
import { roundEvent, roundVisit } from './round.ts'

/** How a machine of a round stands since it was judged again. */
const machineStood = roundVisit.pick({ machineId: true, level: true, headline: true, conditions: true, dueAt: true })

/** What happened on a round, as it is reported to those who watch it: one JSON object a server-sent event. */
export const roundNews = z.discriminatedUnion('say', [
  /** The line stands: what happened before it did has to be asked for. */
  z.object({ say: z.literal('here') }),
  z.object({ say: z.literal('event'), event: roundEvent }),
  z.object({ say: z.literal('machine'), machine: machineStood }),
  z.object({ say: z.literal('finding'), finding }),
  /** More changed than a line holds: the page has to be asked for. */
  z.object({ say: z.literal('page') }),
])
export type RoundNews = z.infer<typeof roundNews>

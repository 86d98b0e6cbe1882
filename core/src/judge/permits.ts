import { show } from '../quantity/index.ts'
import { dayMs } from '../trend/index.ts'
import type { Condition } from './conditions/condition.ts'
import { toldCondition } from './conditions/told.ts'
import type { JudgeInput, RunPermit } from './input.ts'

/** What a permit that ran out, or whose reading was missed, is told as. */
export const permitCheck = 'permit'

type Given = Pick<JudgeInput, 'permits' | 'machine' | 'visit' | 'history'>

/** Was the reading made that a permit asks for? On its day or later: give or take a day, for whoever comes the evening before. */
export const permitRead = (
  p: Pick<RunPermit, 'at' | 'readBy'>,
  visits: readonly { readonly at: number; readonly readings: readonly unknown[] }[],
): boolean => visits.some((v) => v.at > p.at && v.at >= p.readBy - 2 * dayMs && v.readings.length > 0)

/**
 * Permits whose terms are not kept: whoever gave leave to run it gave it to its last day and no further, and on the reading that was
 * to be made.
 */
export const permitsNotKept = (input: Given, through: number): Condition[] =>
  (input.permits ?? [])
    .filter((p) => p.at <= through)
    .flatMap((p): readonly Condition[] => {
      const own = { check: permitCheck, about: 'Permit to run', id: p.id, by: p.by }
      const day = (at: number) => show.day(at - 1, through, input.machine.zone)
      if (p.endsAt <= through)
        return [
          toldCondition({
            ...own,
            at: p.endsAt,
            level: 'stop',
            because: `The permit to run it expired on ${day(p.endsAt)}: ${p.wrong.trim()}`,
            next: 'Shut it down and lock it out. Do the work and close the job; a permit is extended once at most.',
            basis: 'a permit to run has an end',
          }),
        ]
      const visits = [input.visit, ...input.history].filter((v) => v.at <= through)
      if (p.readBy > through || permitRead(p, visits)) return []
      return [
        toldCondition({
          ...own,
          at: p.readBy,
          level: 'fix',
          because: `The permit asked for a reading on ${day(p.readBy)}, and none was made: ${p.wrong.trim()}`,
          next: 'Read it now and check it against the limits of the permit, or shut it down.',
          basis: 'a permit to run has its next reading',
        }),
      ]
    })

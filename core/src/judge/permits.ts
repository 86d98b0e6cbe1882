import { show } from '../quantity/index.ts'
import type { Condition } from './conditions/condition.ts'
import { toldCondition } from './conditions/told.ts'
import type { JudgeInput } from './input.ts'

/** What a permit that ran out is told as. */
export const permitCheck = 'permit'

/** Permits that ran out: whoever gave leave to run it gave it to that day and no further. */
export const permitsRunOut = (input: Pick<JudgeInput, 'permits' | 'machine'>, through: number): Condition[] =>
  (input.permits ?? [])
    .filter((p) => p.at <= through && p.endsAt <= through)
    .map((p) =>
      toldCondition({
        check: permitCheck,
        about: 'Permit to run',
        id: p.id,
        at: p.endsAt,
        by: p.by,
        level: 'stop',
        because: `The permit to run it expired on ${show.day(p.endsAt - 1, through, input.machine.zone)}: ${p.wrong.trim()}`,
        next: 'Shut it down and lock it out. Do the work and close the job; a permit is extended once at most.',
        basis: 'a permit to run has an end',
      }),
    )

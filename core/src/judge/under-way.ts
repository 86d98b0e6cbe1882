import type { Condition } from './conditions/condition.ts'
import { toldCondition } from './conditions/told.ts'
import type { JudgeInput } from './input.ts'

/** Jobs that were begun and not closed: nobody knows what is off and not back yet. */
export const jobsUnderWay = (input: Pick<JudgeInput, 'underWay'>, through: number): Condition[] =>
  (input.underWay ?? [])
    .filter((j) => j.at <= through)
    .map((j) =>
      toldCondition({
        check: 'job',
        about: 'Job',
        id: j.id,
        at: j.at,
        by: j.by,
        level: 'watch',
        because: `Job not finished: ${j.title.charAt(0).toLowerCase()}${j.title.slice(1)}`.replace(/\.?$/, '.'),
        next: 'Find out what is off and not back before it is started. Then finish and close the job.',
        basis: 'a machine is good again when its work is closed and read',
      }),
    )

import { practice } from '../limits/index.ts'
import type { Condition } from './conditions/condition.ts'
import type { JudgeInput } from './input.ts'

const basis = [practice('a machine is good again when its work is closed and read')]

/** Jobs that were begun and not closed: nobody knows what is off and not back yet. */
export function jobsUnderWay(input: Pick<JudgeInput, 'underWay'>, through: number): Condition[] {
  return (input.underWay ?? [])
    .filter((j) => j.at <= through)
    .map((j): Condition => ({
      key: `job@${j.id}`,
      level: 'watch',
      verdict: {
        check: 'job',
        about: 'Job',
        subject: 'visit',
        positions: [j.id],
        level: 'watch',
        settles: false,
        ofVisit: false,
        value: null,
        limit: null,
        basis,
        because: `Job not finished: ${j.title.charAt(0).toLowerCase()}${j.title.slice(1)}`.replace(/\.?$/, '.'),
        next: 'Find out what is off and not back before it is started. Then finish and close the job.',
        confidence: 'full',
      },
      positions: [j.id],
      since: j.at,
      seenAt: j.at,
      by: j.by,
      visit: null,
      retest: false,
      until: null,
      putOff: false,
    }))
}

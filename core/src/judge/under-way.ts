import type { Condition } from './conditions/condition.ts'
import { toldCondition } from './conditions/told.ts'
import type { JudgeInput, UnderWay } from './input.ts'

const ended = (words: string): string => words.trim().replace(/\.?$/, '.')

const says = ({ title, closed, off, left }: UnderWay): string => {
  if (closed) return `Job closed with something temporary in place: ${off.join(', ')}.`
  return [
    ended(`Job not finished: ${title.charAt(0).toLowerCase()}${title.slice(1)}`),
    ...(off.length === 0 ? [] : [`Now: ${off.join(', ')}.`]),
    ...(left === null ? [] : [ended(`Interrupted: ${left}`)]),
  ].join(' ')
}

const next = ({ closed, off }: UnderWay): string => {
  if (closed) return 'Plan the job that puts it back to normal. Closing that job answers this.'
  return off.length === 0
    ? 'Find out what is off and not back before it is started. Then finish and close the job.'
    : 'Restore all of it before it is started. Then finish and close the job.'
}

/**
 * Jobs that were begun and not closed: nobody knows what is off and not back yet. What is known to be off is to fix: its own people
 * and their locks are there, where a guard that a visit leaves off is at Stop.
 */
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
        level: j.opened ? 'fix' : 'watch',
        because: says(j),
        next: next(j),
        basis: 'a machine is good again when its work is closed and read',
      }),
    )

import { practice } from '../../limits/index.ts'
import { verdict } from '../rule.ts'
import type { Level } from '../verdict.ts'
import { keyOf, type Condition } from './condition.ts'

/** What stands at a machine because of a record of its own, which has an end: a finding, a trace, a job. */
export interface Told {
  /** What kind of record it is, and what it is called. */
  readonly check: string
  readonly about: string
  readonly id: string
  readonly at: number
  readonly by: string
  readonly level: Exclude<Level, 'ok'>
  readonly because: string
  readonly next: string
  /** Why it is told, in a few words. */
  readonly basis: string
  /** The day on which somebody looks at it again, and whether it presses no more before it. */
  readonly until?: number | null
  readonly putOff?: boolean
}

/** It stands as long as its record does; nothing that is read answers it. */
export const toldCondition = (t: Told): Condition => ({
  key: keyOf(t.check, [t.id]),
  level: t.level,
  verdict: verdict(
    { id: t.check, title: t.about, subject: 'visit' },
    {
      level: t.level,
      positions: [t.id],
      settles: false,
      basis: [practice(t.basis)],
      because: t.because,
      next: t.next,
    },
  ),
  positions: [t.id],
  since: t.at,
  seenAt: t.at,
  by: t.by,
  visit: null,
  retest: false,
  until: t.until ?? null,
  putOff: t.putOff ?? false,
})

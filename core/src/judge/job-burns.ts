import { practice } from '../limits/index.ts'
import { unsaid, type Visit } from '../trend/index.ts'
import { burning, doNotFire } from './checks/air/combustion.ts'
import { gasTested } from './checks/found/gas-section.ts'
import type { BurnTested } from './input.ts'
import { verdict } from './rule.ts'
import type { Verdict } from './verdict.ts'

const next = {
  ok: 'Nothing to do.',
  fix: 'Find out why before it is left in service. Licensed gas work.',
  stop: doNotFire,
} as const

/** A combustion test of a job, as a visit would say it: by the ranges of its own appliance. */
export interface BurnSaid {
  readonly at: number
  readonly visit: Visit
  readonly verdicts: readonly Verdict[]
}

export const burnSaid = ({ id, at, by, parts }: BurnTested): BurnSaid => ({
  at,
  visit: { id, at, by, state: unsaid, readings: [] },
  verdicts: [
    ...parts.map((p) =>
      verdict(burning, {
        level: p.level,
        positions: [p.about],
        basis: [practice('the figures decide; out is out')],
        because: p.words,
        next: next[p.level],
      }),
    ),
    // A leak, or a probe in air, is no test.
    ...(parts.some((p) => p.about === 'co') ? [gasTested] : []),
  ],
})

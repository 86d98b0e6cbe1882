import { type Condition } from './conditions/condition.ts'
import type { JudgeInput } from './input.ts'

export function reportedConditions(input: JudgeInput, through: number): Condition[] {
  return (input.reported ?? [])
    .filter((r) => r.at <= through)
    .map((r) => ({
      key: `finding@${r.id}`,
      level: r.level,
      verdict: {
        check: 'finding',
        level: r.level,
        about: 'Finding',
        subject: 'visit',
        positions: [r.id],
        settles: false,
        ofVisit: false,
        value: null,
        limit: null,
        basis: [{ kind: 'common practice', text: 'observed and reported', sure: 'common practice' }],
        because: r.text,
        next: 'Decide how to handle it, then close it with what was done.',
        confidence: 'full',
      },
      positions: [r.id],
      since: r.at,
      seenAt: r.at,
      by: r.by,
      visit: null,
      retest: false,
      until: r.until,
      putOff: r.putOff,
    }))
}

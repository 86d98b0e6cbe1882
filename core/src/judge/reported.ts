import type { Condition } from './conditions/condition.ts'
import { toldCondition } from './conditions/told.ts'
import type { JudgeInput } from './input.ts'

export const reportedConditions = (input: JudgeInput, through: number): Condition[] =>
  (input.reported ?? [])
    .filter((r) => r.at <= through)
    .map((r) =>
      toldCondition({
        check: 'finding',
        about: 'Finding',
        id: r.id,
        at: r.at,
        by: r.by,
        level: r.level,
        because: r.text,
        next: 'Decide how to handle it, then close it with what was done.',
        basis: 'observed and reported',
        until: r.until,
        // Its day has come: it presses again.
        putOff: r.putOff && (r.until === null || through < r.until),
      }),
    )

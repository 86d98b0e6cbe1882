import { type QuantityCode } from '../quantity/index.ts'
import type { Visit } from '../trend/index.ts'
import { rules } from './rules/register.ts'
import { keyOf, type Condition } from './conditions/condition.ts'
import { answersIt, workAnswers } from './conditions/work-answers.ts'
import { contextOf, type Context } from './context.ts'
import type { JudgeInput } from './input.ts'
import { inOrder } from './past.ts'
import { runRule, type Failure } from './run-rule.ts'
import { type Verdict } from './verdict.ts'

const fromHistory = rules.filter((check) => check.from === 'history')

const fromRegister = rules.filter((check) => check.from === 'register')

/** A verdict from the record or the whole past, with the visit at which it was worked out. */
export interface Fresh {
  readonly verdict: Verdict
  readonly visit: Visit
  /** When what it rests on was seen, ms since 1970. */
  readonly at: number
}

/** Such verdicts as conditions, unless work has answered them since. */
export function afresh(input: JudgeInput, fresh: readonly Fresh[], through: number): Condition[] {
  return fresh
    .filter((f) => f.verdict.level !== 'ok')
    .filter(
      ({ verdict: v, at }) =>
        !input.work.some(
          (w) => w.at > at && w.at <= through && v.positions.some((p) => answersIt(workAnswers[w.kind], v, p)),
        ),
    )
    .map(({ verdict, at }) => ({
      key: keyOf(verdict.check, verdict.positions),
      level: verdict.level,
      verdict,
      positions: verdict.positions,
      since: verdict.since ?? at,
      seenAt: at,
      by: null,
      visit: null,
      retest: false,
      until: null,
      putOff: false,
    }))
}

/**
 * What the record and the whole past say, each at the newest visit that read what it is about: dead tests that came after the
 * last amps do not hide behind them, and the other way around.
 */
export function freshOf(c: Context, visits: readonly Visit[], failures: Failure[]): Fresh[] {
  const contexts = new Map<Visit, Context>([[c.visit, c]])
  const late = inOrder(visits).reverse()
  const at = (visit: Visit): Context => {
    const known = contexts.get(visit)
    if (known) return known
    const made = contextOf({ ...c.input, visit: visit, history: visits.filter((s) => s.id !== visit.id) })
    contexts.set(visit, made)
    return made
  }
  const newestThatRead = (quantities: readonly QuantityCode[]): Visit | undefined =>
    late.find((s) => s.readings.some((r) => quantities.includes(r.quantity)))
  const ofRecord = fromRegister.flatMap((check) =>
    runRule(c, check, failures).map((verdict) => ({ verdict, visit: c.visit, at: check.seenAt?.(c) ?? c.visit.at })),
  )
  const ofPast = fromHistory.flatMap((check) => {
    const visit = newestThatRead(check.of ?? amps)
    return visit ? runRule(at(visit), check, failures).map((verdict) => ({ verdict, visit, at: visit.at })) : []
  })
  return [...ofRecord, ...ofPast]
}

export const amps: readonly QuantityCode[] = ['amps']

import { practice } from '../limits/index.ts'
import { verdict, type Rule } from './rule.ts'
import type { Context } from './context.ts'
import type { Verdict } from './verdict.ts'

/** A check that failed by itself: the others are judged all the same. */
export interface Failure {
  readonly check: string
  readonly message: string
}

const isList = (v: Verdict | readonly Verdict[]): v is readonly Verdict[] => Array.isArray(v)

/** A good result that rests on a reading which is none: it is asked for again. */
function readAgain(v: Verdict, doubts: readonly string[]): Verdict {
  const what = doubts.join(', ')
  return {
    ...v,
    level: 'watch',
    settles: false,
    confidence: 'low',
    because: `${what.charAt(0).toUpperCase()}${what.slice(1)}: not accepted as a good reading. ${v.because}`,
    next: 'Read it again: clean contact, right function and range, wait until it settles.',
  }
}

/**
 * What one check says of a context; nothing where it has nothing to say. It is judged by itself: a check that throws is told
 * as one that could not be judged.
 */
export function runRule(c: Context, check: Rule, failures: Failure[]): readonly Verdict[] {
  c.looked.clear()
  try {
    if (!check.applies(c)) return []
    const judged = check.judge(c)
    const all = isList(judged) ? judged : [judged]
    const doubts = c.looked.doubts()
    if (doubts.length === 0 || check.informs === true) return all
    return all.map((v) =>
      v.level === 'ok'
        ? readAgain(
            v,
            doubts.map((d) => d.words),
          )
        : { ...v, settles: false },
    )
  } catch (e) {
    failures.push({ check: check.id, message: e instanceof Error ? e.message : String(e) })
    return [
      verdict(check, {
        level: 'watch',
        basis: [practice('each check is evaluated separately')],
        because: `${check.title} could not be judged with these figures.`,
        next: 'Check the readings and the nameplate; if they are right, report this machine and visit.',
        confidence: 'low',
        settles: false,
        ofVisit: true,
      }),
    ]
  }
}

/** What every one of these checks says, in their order. */
export const runRules = (c: Context, rules: readonly Rule[], failures: Failure[]): Verdict[] =>
  rules.flatMap((check) => runRule(c, check, failures))

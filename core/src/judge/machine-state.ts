import type { Visit } from '../trend/index.ts'
import { contextOf, type Context } from './context.ts'
import { Fold } from './conditions/fold.ts'
import type { FittedMotor, JudgeInput } from './input.ts'
import type { Rule } from './rule.ts'
import { runRules, type Failure } from './run-rule.ts'
import { rules } from './rules/register.ts'
import type { Verdict } from './verdict.ts'

const fromVisit = rules.filter((check) => check.from === 'visit')
const runningChecks = new Set(rules.filter((check) => check.running === true).map((check) => check.id))

/** The motor in place at an instant; what was in place first also speaks for the time before it was entered. */
export function motorAt(motors: readonly FittedMotor[], at: number): FittedMotor | null {
  const own = motors.find((m) => m.fittedAt <= at && (m.removedAt == null || m.removedAt > at))
  return own ?? [...motors].sort((a, b) => a.fittedAt - b.fittedAt)[0] ?? null
}

/** The input of one of the visits before, as it was known then. */
function asOf(input: JudgeInput, visit: Visit, before: readonly Visit[]): JudgeInput {
  return {
    ...input,
    visit: visit,
    history: before,
    motor: input.motors ? motorAt(input.motors, visit.at) : input.motor,
  }
}

/** Everything that a visit's verdicts depend on besides the visits before it. */
type Ground = readonly unknown[]
const groundOf = (i: JudgeInput): Ground => [i.machine, i.motors ?? i.motor, i.policies, i.parts, i.layout, i.work]
const same = (a: Ground, b: Ground) => a.length === b.length && a.every((v, i) => v === b[i])

/** Verdicts of visits that were judged before: a visit never changes, and its machine's past is gone through at every key. */
const judged = new WeakMap<
  Visit,
  { readonly ground: Ground; readonly before: readonly string[]; readonly verdicts: readonly Verdict[] }
>()

interface Event {
  readonly at: number
  readonly order: 0 | 1 | 2
  readonly run: (fold: Fold) => void
}

/** Checks by what they need, so that a plain visit asks only those that can have something to say. */
const asked = new Map<string, Set<Rule>>()
const askedAlways = new Set(fromVisit.filter((check) => check.needs === undefined))
for (const check of fromVisit)
  for (const need of check.needs ?? []) {
    const own = asked.get(need)
    if (own) own.add(check)
    else asked.set(need, new Set([check]))
  }

/** The verdicts of a visit that open and close conditions, for a context made already. */
export function visitVerdicts(c: Context, failures: Failure[]): Verdict[] {
  const wanted = new Set(askedAlways)
  const need = (what: string) => {
    for (const check of asked.get(what) ?? []) wanted.add(check)
  }
  for (const r of c.visit.readings) need(r.quantity)
  for (const question of Object.keys(c.visit.answers ?? {})) need(question)
  return runRules(
    c,
    fromVisit.filter((check) => wanted.has(check)),
    failures,
  )
}

/**
 * What stands at a machine before one of its visits is taken into account: all visits before it, and the work and closings up to
 * it. `through` also takes in what came after the last visit.
 */
export function foldBefore(input: JudgeInput, earlier: readonly Visit[], through: number): Fold {
  const fold = new Fold(input.machine, (check) => runningChecks.has(check))
  const events: Event[] = [
    ...input.work.filter((w) => w.at <= through).map((w): Event => ({ at: w.at, order: 0, run: (f) => f.work(w) })),
    ...earlier.map((visit, n): Event => ({
      at: visit.at,
      order: 1,
      run: (f) => f.visit(visit, verdictsOf(input, visit, earlier, n)),
    })),
    ...(input.closings ?? [])
      .filter((k) => k.at <= through)
      .map((k): Event => ({ at: k.at, order: 2, run: (f) => f.closing(k) })),
  ]
  // Sorting keeps the order of equals: the visits come by instant and id already.
  events.sort((a, b) => a.at - b.at || a.order - b.order)
  for (const e of events) e.run(fold)
  return fold
}

function verdictsOf(input: JudgeInput, visit: Visit, earlier: readonly Visit[], n: number): readonly Verdict[] {
  const ground = groundOf(input)
  const known = judged.get(visit)
  // The visits before it are told by the last of them: they never change, and one that arrives late changes their count.
  const before = [String(n), earlier[n - 1]?.id ?? '', earlier[0]?.id ?? '']
  if (known && same(known.ground, ground) && same(known.before, before)) return known.verdicts
  const c = contextOf(asOf(input, visit, earlier.slice(0, n)))
  const verdicts = visitVerdicts(c, [])
  judged.set(visit, { ground, before, verdicts })
  return verdicts
}

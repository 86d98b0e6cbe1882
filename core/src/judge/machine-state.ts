import type { Visit, WorkDone } from '../trend/index.ts'
import { contextOf, type Context } from './context.ts'
import type { Closing } from './conditions/condition.ts'
import { Fold } from './conditions/fold.ts'
import type { InstalledMotor, JudgeInput } from './input.ts'
import type { Rule } from './rule.ts'
import { runRules, type Failure } from './run-rule.ts'
import { rules } from './rules/register.ts'
import type { Verdict } from './verdict.ts'

const fromVisit = rules.filter((check) => check.from === 'visit')
const runningChecks = new Set(rules.filter((check) => check.running === true).map((check) => check.id))

/** The motor in place at an instant; what was in place first also speaks for the time before it was entered. */
export function motorAt(motors: readonly InstalledMotor[], at: number): InstalledMotor | null {
  const own = motors.find((m) => m.installedAt <= at && (m.removedAt == null || m.removedAt > at))
  return own ?? [...motors].sort((a, b) => a.installedAt - b.installedAt)[0] ?? null
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
const groundOf = (i: JudgeInput): Ground => [
  i.machine,
  i.motors ?? i.motor,
  i.policies,
  i.parts,
  i.layout,
  i.work,
  // Few, and put together anew each time: what they say counts.
  (i.closings ?? []).map((k) => `${k.key} ${k.at} ${k.kind}`).join('|'),
]
const same = (a: Ground, b: Ground) => a.length === b.length && a.every((v, i) => v === b[i])

/** Verdicts of visits that were judged before: a visit never changes, and its machine's past is gone through at every key. */
interface Judged {
  readonly ground: Ground
  /** Stands for all visits before it, in their order: one that arrives late or is corrected makes another. */
  readonly chain: number
  readonly verdicts: readonly Verdict[]
}
const judged = new WeakMap<Visit, Judged>()

const tokens = new WeakMap<Visit, number>()
let lastToken = 0
function tokenOf(visit: Visit): number {
  const known = tokens.get(visit)
  if (known !== undefined) return known
  lastToken += 1
  tokens.set(visit, lastToken)
  return lastToken
}
/** A prime: products below stay exact. */
const prime = 8_191_999_993
const chained = (chain: number, visit: Visit): number => (chain * 1_000_003 + tokenOf(visit)) % prime

/** What a person did between visits. */
type Act =
  | { readonly at: number; readonly order: 0; readonly work: WorkDone }
  | { readonly at: number; readonly order: 2; readonly closing: Closing }

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
 * @param earlier in the order in which they were made
 */
export function foldBefore(input: JudgeInput, earlier: readonly Visit[], through: number): Fold {
  const fold = new Fold(input.machine, (check) => runningChecks.has(check))
  const ground = groundOf(input)
  // Work of the same instant as a visit comes before it, a closing after it.
  const acts: Act[] = [
    ...input.work.map((work): Act => ({ at: work.at, order: 0, work })),
    ...(input.closings ?? []).map((closing): Act => ({ at: closing.at, order: 2, closing })),
  ]
    .filter((x) => x.at <= through)
    .sort((x, y) => x.at - y.at || x.order - y.order)
  let next = 0
  const actsBefore = (at: number, order: number) => {
    for (let act = acts[next]; act && (act.at < at || (act.at === at && act.order < order)); act = acts[++next])
      if (act.order === 0) fold.work(act.work)
      else fold.closing(act.closing)
  }
  let chain = 0
  earlier.forEach((visit, n) => {
    actsBefore(visit.at, 1)
    fold.visit(visit, verdictsOf(input, ground, visit, earlier, n, chain))
    chain = chained(chain, visit)
  })
  actsBefore(Infinity, 0)
  return fold
}

function verdictsOf(
  input: JudgeInput,
  ground: Ground,
  visit: Visit,
  earlier: readonly Visit[],
  n: number,
  chain: number,
): readonly Verdict[] {
  const known = judged.get(visit)
  if (known?.chain === chain && same(known.ground, ground)) return known.verdicts
  const verdicts = visitVerdicts(contextOf(asOf(input, visit, earlier.slice(0, n))), [])
  judged.set(visit, { ground, chain, verdicts })
  return verdicts
}

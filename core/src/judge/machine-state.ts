import type { Visit, WorkDone } from '../trend/index.ts'
import { contextOf, type Context } from './context.ts'
import type { Closing } from './conditions/condition.ts'
import { Fold } from './conditions/fold.ts'
import type { InstalledMotor, JudgeInput } from './input.ts'
import { burnSaid, type BurnSaid } from './job-burns.ts'
import { chained, sameGround, type Ground } from './known.ts'
import type { Rule } from './rule.ts'
import { runRules, type Failure } from './run-rule.ts'
import { rules } from './rules/register.ts'
import { findsOf, type TracedFind } from './traced/index.ts'
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
const groundOf = (i: JudgeInput): Ground => [
  i.machine,
  i.motors ?? i.motor,
  i.policies,
  i.parts,
  i.layout,
  i.work,
  // Few, and put together anew each time: what they say counts.
  (i.closings ?? []).map((k) => `${k.key} ${k.at} ${k.kind}`).join('|'),
  (i.burns ?? []).map((b) => b.id).join('|'),
  (i.traced?.results ?? []).map((r) => `${r.id}${r.settled ? ' settled' : ''}`).join('|'),
]

/** Verdicts of visits that were judged before: a visit never changes, and its machine's past is gone through at every key. */
interface Judged {
  readonly ground: Ground
  /** Stands for all visits before it, in their order. */
  readonly chain: number
  readonly verdicts: readonly Verdict[]
}
const judged = new WeakMap<Visit, Judged>()

/** What stood at a machine after the first of its visits that were gone through last, kept by the first of them. */
interface Stood {
  readonly ground: Ground
  /** How many visits, and what stands for them. */
  readonly n: number
  readonly chain: number
  /** How many of the acts were taken in with them. */
  readonly acts: number
  readonly fold: Fold
}
const stood = new WeakMap<Visit, Stood>()

/** What a person did or found between visits. */
type Act =
  | { readonly at: number; readonly order: 0; readonly work: WorkDone }
  | { readonly at: number; readonly order: 2; readonly find: TracedFind }
  | { readonly at: number; readonly order: 2; readonly burn: BurnSaid }
  | { readonly at: number; readonly order: 3; readonly closing: Closing }

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

/** What happened between the visits of a machine, in the order in which it counts: work before a visit of the same instant, the rest after. */
const none: readonly never[] = []
const actsOf = (input: JudgeInput, through: number): Act[] =>
  [
    ...input.work.map((work): Act => ({ at: work.at, order: 0, work })),
    ...findsOf(input.machine, input.traced?.results ?? none).map((find): Act => ({ at: find.at, order: 2, find })),
    ...(input.burns ?? none).map((b): Act => ({ at: b.at, order: 2, burn: burnSaid(b) })),
    ...(input.closings ?? []).map((closing): Act => ({ at: closing.at, order: 3, closing })),
  ]
    .filter((x) => x.at <= through)
    .sort((x, y) => x.at - y.at || x.order - y.order)

/**
 * What stands at a machine before one of its visits is taken into account: all visits before it, and the work, closings and finds of
 * traces up to it. `through` also takes in what came after the last visit.
 * @param earlier in the order in which they were made
 */
export function foldBefore(input: JudgeInput, earlier: readonly Visit[], through: number): Fold {
  const ground = groundOf(input)
  const acts = actsOf(input, through)
  // By a clock that runs ahead a visit may lie after `through`; what stands then leaves out acts that count for others.
  const whole = (earlier.at(-1)?.at ?? 0) <= through
  const from = whole ? stoodBefore(earlier, ground) : undefined
  const fold = from?.fold.copy() ?? new Fold(input.machine, (check) => runningChecks.has(check))
  let next = from?.acts ?? 0
  const actsBefore = (at: number, order: number) => {
    for (let act = acts[next]; act && (act.at < at || (act.at === at && act.order < order)); act = acts[++next])
      if (act.order === 0) fold.work(act.work)
      else if ('burn' in act) fold.visit(act.burn.visit, act.burn.verdicts)
      else if (act.order === 2) fold.found(act.find.visit, act.find.verdicts)
      else fold.closing(act.closing)
  }
  let chain = from?.chain ?? 0
  const known = from?.n ?? 0
  earlier.slice(known).forEach((visit, i) => {
    actsBefore(visit.at, 1)
    fold.visit(visit, verdictsOf(input, ground, visit, earlier, known + i, chain))
    chain = chained(chain, visit)
  })
  const [first] = earlier
  if (whole && first && known < earlier.length)
    stood.set(first, { ground, n: earlier.length, chain, acts: next, fold: fold.copy() })
  actsBefore(Infinity, 0)
  return fold
}

/** What is known to have stood after the first of these visits; undefined where nothing of it is, or it was another past. */
function stoodBefore(earlier: readonly Visit[], ground: Ground): Stood | undefined {
  const [first] = earlier
  const known = first && stood.get(first)
  if (!known || known.n > earlier.length || !sameGround(known.ground, ground)) return undefined
  let chain = 0
  for (let n = 0; n < known.n; n++) chain = chained(chain, earlier[n] ?? first)
  return chain === known.chain ? known : undefined
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
  if (known?.chain === chain && sameGround(known.ground, ground)) return known.verdicts
  const verdicts = visitVerdicts(contextOf(asOf(input, visit, earlier.slice(0, n))), [])
  judged.set(visit, { ground, chain, verdicts })
  return verdicts
}

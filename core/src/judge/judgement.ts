import { mean, show } from '../quantity/index.ts'
import { unsaid, type Drift, type Visit, type Usual } from '../trend/index.ts'
import { bounds } from './rules/amps/over-amp.ts'
import { rules } from './rules/register.ts'
import { completeness, earnsOk, type Completeness } from './completeness.ts'
import { partsOf, type Condition } from './conditions/condition.ts'
import type { Fold } from './conditions/fold.ts'
import { contextOf, type Context } from './context.ts'
import { closeGate, deadGate, liveGate, restoreGate, type Gate } from './gates.ts'
import type { JudgeInput } from './input.ts'
import { foldBefore, visitVerdicts } from './machine-state.ts'
import { earlierThan, inOrder } from './past.ts'
import { peers } from './rules/amps/peers.ts'
import { runRule, type Failure } from './run-rule.ts'
import { rank, worse, type Level, type Overall, type Verdict } from './verdict.ts'
import { afresh, freshOf, type Fresh } from './fresh.ts'
import { reportedConditions } from './reported.ts'
import { openTraces } from './traced/index.ts'
import { permitsNotKept } from './permits.ts'
import { jobsUnderWay } from './under-way.ts'

/** What the load bar draws, in amperes. */
export interface Rail {
  readonly allowed: number | null
  readonly columnVolts: number | null
  readonly source: 'motor plate' | 'unit plate' | null
  readonly legs: readonly { readonly name: string; readonly amps: number }[]
  /** The machine's own usual range at the volts of this visit. */
  readonly usual: { readonly low: number; readonly high: number } | null
}

/** A test that work asks for and nobody has made yet. */
export interface AskedRetest {
  readonly id: string
  readonly words: string
  readonly since: number
  readonly because: string
}

/** A machine as it stands at a visit, or now. */
export interface Judgement {
  /** The worst of what stands, whichever visit found it. */
  readonly level: Overall
  readonly headline: string
  /** At a visit what this visit says; of a machine now, the newest word of every check. Worst first. */
  readonly verdicts: readonly Verdict[]
  /** Everything found and not yet answered, worst first. */
  readonly conditions: readonly Condition[]
  readonly retests: readonly AskedRetest[]
  readonly completeness: Completeness
  readonly confidence: 'full' | 'low'
  readonly rail: Rail
  readonly drift: Drift
  readonly usual: Usual | null
  /** Up to which current the organization calls it OK, amperes. */
  readonly okUpTo: number | null
  /** Dead, restore, live, close. */
  readonly gates: readonly Gate[]
  /** Checks that failed by themselves, for the log. */
  readonly failures: readonly Failure[]
}

/** Good results that say nothing of the machine's health by themselves. */
const notEnough = new Set([
  ...rules.filter((check) => check.informs === true || check.from !== 'visit').map((check) => check.id),
  'as-found',
  'breaker-found',
  'turning',
  'rotation',
  'smell',
  'dead-proof',
  'inhibits',
  'guards-off',
  'left',
  'conditions',
])
const urgency = new Map(rules.map((check, i) => [check.id, i]))

const urgent = (
  a: { readonly level: Level; readonly check: string },
  b: { readonly level: Level; readonly check: string },
) => rank(b.level) - rank(a.level) || (urgency.get(a.check) ?? 999) - (urgency.get(b.check) ?? 999)

const worstFirst = (verdicts: readonly Verdict[]): Verdict[] => [...verdicts].sort(urgent)
const pressing = (conditions: readonly Condition[]): Condition[] =>
  [...conditions].sort((a, b) => urgent(a.verdict, b.verdict) || a.since - b.since)

function fine(c: Context, verdicts: readonly Verdict[], whole: Completeness): string {
  const parts: string[] = []
  if (c.allowed && c.point) parts.push(`${show.percent(c.point.amps / c.allowed.amps)} of the nameplate`)
  if (verdicts.some((v) => v.check === 'current-unbalance')) parts.push('balanced')
  if (verdicts.some((v) => v.check === 'change') && c.usual) parts.push('as usual')
  else if (c.point && c.past.length === 0) parts.push('first reading')
  const text = parts.join(', ')
  const read = text === '' ? (verdicts.find((v) => !notEnough.has(v.check))?.because ?? '') : `${text}.`
  const missing = whole.missing.length === 0 ? '' : ` ${capital(whole.missing.join('; '))}.`
  return `${capital(read)}${missing}`
}

const confidenceOf = (verdicts: readonly Verdict[]): Judgement['confidence'] =>
  verdicts.some((v) => v.confidence === 'low') ? 'low' : 'full'

const capital = (text: string) => `${text.charAt(0).toUpperCase()}${text.slice(1)}`

/** Closed by a person since, and not opened again. A closing of what is worked out afresh holds until the figures change. */
function closedByPerson(input: JudgeInput, condition: Condition, through: number): boolean {
  const own = (input.closings ?? []).filter(
    (k) => k.at <= through && partsOf(k.key).check === condition.verdict.check && k.key === condition.key,
  )
  const last = own.reduce<(typeof own)[number] | null>((a, b) => (a === null || b.at >= a.at ? b : a), null)
  // Explaining a change of the amps begins a baseline of its own; what is told after it is another change.
  return condition.verdict.check !== 'change' && last?.kind === 'closed' && last.at >= condition.since
}

interface Made {
  readonly input: JudgeInput
  readonly context: Context
  readonly fold: Fold
  readonly own: readonly Verdict[]
  readonly fresh: readonly Fresh[]
  readonly verdicts: readonly Verdict[]
  readonly failures: readonly Failure[]
  readonly through: number
}

function judgementOf(m: Made): Judgement {
  const { context: c, input, fold, through } = m
  const conditions = pressing([
    ...fold.conditions(through),
    ...afresh(input, m.fresh, through).filter((k) => !closedByPerson(input, k, through)),
    ...reportedConditions(input, through),
    ...openTraces(input, through),
    ...jobsUnderWay(input, through),
    ...permitsNotKept(input, through),
  ])
  const ofVisit = m.own.filter((v) => v.ofVisit)
  const good = [...fold.good().map((g) => g.verdict), ...m.own].filter(
    (v) => v.level === 'ok' && !notEnough.has(v.check),
  )
  const counts = conditions.filter((k) => !k.putOff || k.level === 'stop')
  const bad = [...counts.map((k) => k.level), ...ofVisit.map((v) => v.level)]
  const level: Overall =
    bad.length === 0 && !earnsOk(good) ? 'not judged' : bad.reduce<Level>((a, b) => worse(a, b), 'ok')
  const whole = completeness(level, fold, m.own, conditions)
  const verdicts = worstFirst(m.verdicts)
  const [first] = worstFirst([...counts.map((k) => k.verdict), ...ofVisit])
  const worst = level === 'ok' || level === 'not judged' ? undefined : first
  const restore = restoreGate(c, conditions)
  return {
    level,
    headline: worst?.because ?? (level === 'not judged' ? whole.summary : fine(c, verdicts, whole)),
    verdicts,
    conditions,
    retests: fold.retests(),
    completeness: whole,
    confidence: confidenceOf(verdicts),
    rail: {
      allowed: c.allowed?.amps ?? null,
      columnVolts: c.allowed?.columnVolts ?? null,
      source: c.allowed?.source ?? null,
      legs: c.legsRead,
      usual: c.usual ? { low: c.usual.low, high: c.usual.high } : null,
    },
    drift: c.drift,
    usual: c.usual,
    okUpTo: c.allowed ? bounds(c).ok : null,
    gates: [deadGate(c), restore, liveGate(c, restore, conditions), closeGate(c)],
    failures: m.failures,
  }
}

/**
 * Judge a visit: every check that applies, worst first, and what stands at the machine with it, whichever visit found it.
 * Pure: the same input gives the same judgement in the hand, on the server and in the report.
 * @throws RangeError when the machine's service volts are not above zero
 */
export function judge(input: JudgeInput): Judgement {
  const { visit } = input
  const earlier = earlierThan(input.history, visit)
  const fold = foldBefore(input, earlier, visit.at)
  const context = contextOf(input)
  const failures: Failure[] = []
  const own = visitVerdicts(context, failures)
  fold.visit(visit, own)
  const fresh = freshOf(context, [...earlier, visit], failures)
  // What the past says of other readings than this visit's belongs to the machine, not to the visit.
  const here = fresh.filter((f) => f.visit === visit).map((f) => f.verdict)
  return judgementOf({ input, context, fold, own, fresh, verdicts: [...own, ...here], failures, through: visit.at })
}

/** All that judging a machine as it stands needs: the same as for a visit, without one. */
export type MachineSnapshot = Omit<JudgeInput, 'visit' | 'history' | 'motor'> & {
  readonly visits: readonly Visit[]
  readonly motor: JudgeInput['motor']
  /** The last instant at which a day that something was put off or allowed to had come, ms since 1970; left out: none had. */
  readonly turnedAt?: number | null | undefined
}

const ran = (s: Visit) => s.readings.some((r) => r.quantity === 'amps')
const newest = (visits: readonly Visit[]): Visit | null =>
  visits.reduce<Visit | null>((a, b) => (a === null || b.at > a.at || (b.at === a.at && b.id > a.id) ? b : a), null)

/** The visit whose figures stand for a machine: the newest that found it running, else the newest at all; null without any. */
export const speakingVisit = (visits: readonly Visit[]): Visit | null => newest(visits.filter(ran)) ?? newest(visits)

/** The newest thing that happened at a machine. */
const newestInstant = (s: MachineSnapshot): number =>
  [
    s.visits,
    s.work,
    s.closings ?? [],
    s.reported ?? [],
    s.traced?.results ?? [],
    s.traced?.open ?? [],
    s.underWay ?? [],
    s.burns ?? [],
    s.permits ?? [],
  ]
    .flatMap((list): readonly { readonly at: number }[] => list)
    .reduce((latest, x) => Math.max(latest, x.at), s.turnedAt ?? 0)

/**
 * The next instant at which a machine stands otherwise though nothing happens to it: a day that a finding was put off to, the end
 * of a permit, or the day on which it is read again. ms since 1970; null where there is none.
 */
export const turnsAt = (s: Pick<MachineSnapshot, 'reported' | 'permits'>, after: number): number | null =>
  [
    ...(s.reported ?? []).map((r) => (r.putOff ? r.until : null)),
    ...(s.permits ?? []).flatMap((p) => [p.readBy, p.endsAt]),
  ]
    .filter((at) => at !== null)
    .filter((at) => at > after)
    .reduce<number | null>((next, at) => (next === null || at < next ? at : next), null)

/** Nothing was read. */
const nothingRead = (at: number): Visit => ({ id: '', at, state: unsaid, readings: [] })

/** A machine that nobody has visited: what people reported of it stands all the same. Null where there is nothing. */
function judgeUnvisited(snapshot: MachineSnapshot, now: number): Judgement | null {
  const input: JudgeInput = { ...snapshot, visit: nothingRead(now), history: [] }
  const fold = foldBefore(input, [], now)
  const context = contextOf(input)
  const verdicts = [...new Set(fold.conditions(now).map((k) => k.verdict))]
  const said = judgementOf({ input, context, fold, own: [], fresh: [], verdicts, failures: [], through: now })
  return said.conditions.length === 0 ? null : said
}

/**
 * Judge a machine as it stands now: what is open, whichever visit found it, and the newest good result of everything else.
 * @param now ms since 1970: work and closings up to then count; left out, all of them
 * @returns null while nobody has visited it and nothing was reported of it
 * @throws RangeError when the machine's service volts are not above zero
 */
export function judgeMachine(snapshot: MachineSnapshot, now: number = newestInstant(snapshot)): Judgement | null {
  const speaking = speakingVisit(snapshot.visits)
  if (!speaking) return judgeUnvisited(snapshot, now)
  const input: JudgeInput = {
    ...snapshot,
    visit: speaking,
    history: snapshot.visits.filter((s) => s.id !== speaking.id),
  }
  const fold = foldBefore(input, inOrder(snapshot.visits), now)
  const context = contextOf(input)
  const failures: Failure[] = []
  const fresh = freshOf(context, snapshot.visits, failures)
  const standing = [
    ...fold.conditions(now).map((k) => k.verdict),
    ...fold.good().map((g) => g.verdict),
    ...fresh.map((f) => f.verdict),
  ]
  return judgementOf({
    input,
    context,
    fold,
    own: [],
    fresh,
    verdicts: [...new Set(standing)],
    failures,
    through: now,
  })
}

/**
 * A judgement that was made without what others of its kind carry, with it: only one check asks for these, and it raises no level.
 * @param judgement of this very snapshot without its peers
 * @returns the same as judging the snapshot with its peers
 */
export function withPeers(judgement: Judgement, snapshot: MachineSnapshot): Judgement {
  const visit = newest(snapshot.visits.filter(ran))
  if (!visit) return judgement
  const failures: Failure[] = []
  const history = snapshot.visits.filter((s) => s.id !== visit.id)
  const said = runRule(contextOf({ ...snapshot, visit, history }), peers, failures)
  // A check that fails by itself is told at the machine as well.
  if (failures.length > 0) return judgeMachine(snapshot) ?? judgement
  if (said.length === 0) return judgement
  const verdicts = worstFirst([...judgement.verdicts, ...said])
  return { ...judgement, verdicts, confidence: confidenceOf(verdicts) }
}

/** Mean of the legs as a share of the allowed current, or null. */
export function loadShare(rail: Rail): number | null {
  return rail.allowed !== null && rail.legs.length > 0 ? mean(rail.legs.map((l) => l.amps)) / rail.allowed : null
}

import { confidenceOf, missingProof, type Confidence } from './decide/confidence.ts'
import { disagreements, nothingExplains, oddOneOut, type Disagreement } from './decide/contradictions.ts'
import { readAgain, type ReadAgain } from './decide/read-again.ts'
import { reclose, type Reclose } from './decide/reclose.ts'
import { reportedNotFound } from './decide/reported.ts'
import { shouldRun, type ShouldRun } from './decide/should-run.ts'
import { counting, weigh, type Evidence, type Strike, type Weighed } from './evidence/evidence.ts'
import type { Feature } from './features.ts'
import { believe } from './infer.ts'
import type { Cause, Result } from './knowledge/cause.ts'
import { causeOf, testOf, unlisted } from './model.ts'
import { nextTests, type NextTest } from './next-test.ts'
import { standing, startBarred, type Setup } from './needs.ts'
import { hypothesesOf, type Circumstances, type Hypothesis } from './prior.ts'

/** What happened in a trace, each a fact of its own. */
export type TraceStep = { readonly id: string; readonly at: number; readonly by: string } & (
  | { readonly kind: 'result'; readonly test: string; readonly outcome: string; readonly note: string }
  | { readonly kind: 'struck'; readonly evidence: string; readonly reason: string }
  | { readonly kind: 'restored'; readonly evidence: string }
  | { readonly kind: 'setup'; readonly setup: Setup }
  | { readonly kind: 'dropped'; readonly cause: string; readonly reason: string; readonly p: number }
  | { readonly kind: 'tripped again' }
  | { readonly kind: 'closed'; readonly cause: string; readonly confidence: Confidence; readonly note: string }
)

/** What a trace is about. */
export interface TraceOf {
  readonly complaint: string | null
  readonly features: ReadonlySet<Feature>
  readonly circumstances: Circumstances
}

/** A cause as the list shows it. */
export interface Suspect {
  readonly id: string
  readonly name: string
  readonly p: number
  readonly confidence: Confidence
  /** Tests that would still have to say so; empty for what is proven. */
  readonly missing: readonly Result[]
  /** Why a person dropped it; null where nobody did. */
  readonly dropped: { readonly reason: string; readonly by: string } | null
  /** It was dropped, and new evidence has lifted it since. */
  readonly back: boolean
}

/** Where a trace stands. */
export interface TraceStands {
  readonly evidence: readonly Weighed[]
  /** Likeliest first. */
  readonly suspects: readonly Suspect[]
  readonly next: readonly NextTest[]
  /** What to read a second time before anything is built on it; null where nothing. */
  readonly readAgain: ReadAgain | null
  readonly disagreements: readonly Disagreement[]
  readonly shouldRun: ShouldRun
  readonly reclose: Reclose | null
  /** Why nothing may be started now; null where nothing bars it. */
  readonly startBarred: string | null
  readonly setup: Setup
  readonly closed: Extract<TraceStep, { kind: 'closed' }> | null
}

/** A dropped theory is back when it has become this many times as likely as when it was dropped. */
const lifted = 2

const none = { name: 'Something not listed', cause: undefined }
const named = (id: string): { readonly name: string; readonly cause: Cause | undefined } => {
  const cause = causeOf.get(id)
  return cause ? { name: cause.name, cause } : none
}

const kept = new Map<string, readonly Hypothesis[]>()
const mostKept = 20
/** The same question gets the same list: what its causes show in every test is worked out once for it. */
function hypotheses({ complaint, features, circumstances }: TraceOf): readonly Hypothesis[] {
  const key = JSON.stringify([complaint, [...features].sort(), circumstances])
  const known = kept.get(key)
  if (known) return known
  const made = hypothesesOf(complaint, features, circumstances)
  if (kept.size >= mostKept) kept.clear()
  kept.set(key, made)
  return made
}

function strikesOf(steps: readonly TraceStep[]): ReadonlyMap<string, Strike> {
  const strikes = new Map<string, Strike>()
  for (const s of steps)
    if (s.kind === 'struck') strikes.set(s.evidence, { reason: s.reason, by: s.by })
    else if (s.kind === 'restored') strikes.delete(s.evidence)
  return strikes
}

function oddDisagreement(odd: ReturnType<typeof oddOneOut>): readonly Disagreement[] {
  const test = odd && testOf.get(odd.result[0])
  if (!odd || !test) return []
  const words = test.outcomes.find((o) => o.id === odd.result[1])?.words ?? odd.result[1]
  return [
    {
      tests: [test.id],
      because: `${test.title}: "${words}" does not go with the other results.`,
      next: 'Read it again before anything is built on it.',
    },
  ]
}

/**
 * Where a trace stands: what counts, what is likely, what to test next.
 * @param read evidence of visits @param steps in any order
 */
export function traceStands(of: TraceOf, read: readonly Evidence[], steps: readonly TraceStep[]): TraceStands {
  const inOrder = [...steps].sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1))
  const entered = inOrder.flatMap((s): Evidence[] =>
    s.kind === 'result'
      ? [{ id: s.id, at: s.at, by: s.by, result: [s.test, s.outcome], visit: null, note: s.note }]
      : [],
  )
  const evidence = weigh([...read, ...entered], strikesOf(inOrder))
  // A test that was taken out of the knowledge since is shown as it was, and tells nothing.
  const own = counting(evidence).filter((e) => isKnown(e.result))
  const results = own.map((e) => e.result)
  const belief = believe(hypotheses(of), results)
  const setup = setupAt(inOrder, own)
  const drops = new Map(inOrder.flatMap((s) => (s.kind === 'dropped' ? [[s.cause, s] as const] : [])))
  const suspects = belief.likely.map(({ id, p }): Suspect => {
    const { name, cause } = named(id)
    const drop = drops.get(id)
    return {
      id,
      name,
      p,
      confidence: confidenceOf(cause, p, results),
      missing: cause ? missingProof(cause, results) : [],
      dropped: drop ? { reason: drop.reason, by: drop.by } : null,
      back: drop !== undefined && p >= lifted * drop.p && p >= 0.05,
    }
  })
  const again = disagreements(own)
  const next = nextTests(belief, of.features, standing(setup, results, of.complaint), results)
  const notFound = reportedNotFound(of.complaint, results)
  const odd = again.length > 0 || nothingExplains(belief) ? null : oddOneOut(belief, results)
  return {
    evidence,
    suspects,
    next,
    readAgain: readAgain(belief, results, readEnough(evidence), readTwoWays(evidence), next.length > 0),
    disagreements: [
      ...again,
      ...(notFound ? [notFound] : []),
      ...oddDisagreement(odd),
      ...(nothingExplains(belief) && results.length > 1 ? [unexplained] : []),
    ],
    shouldRun: shouldRun(results),
    reclose: reclose(results, inOrder.filter((s) => s.kind === 'tripped again').length),
    startBarred: startBarred(results, of.complaint),
    setup,
    closed: inOrder.findLast((s) => s.kind === 'closed') ?? null,
  }
}

/** What was read of each test and nobody struck out, in order of time. */
function readings(evidence: readonly Weighed[]): ReadonlyMap<string, readonly Weighed[]> {
  const read = new Map<string, Weighed[]>()
  for (const e of evidence)
    if (e.counts.kind !== 'struck out') read.set(e.result[0], [...(read.get(e.result[0]) ?? []), e])
  return read
}

const twoWays = (read: readonly Weighed[]): boolean => read.length === 2 && read[0]?.result[1] !== read[1]?.result[1]

/** Tests read more than once, the same way or a third time; what the record says is the same however often it is read. */
const readEnough = (evidence: readonly Weighed[]): ReadonlySet<string> =>
  new Set(
    [...readings(evidence)].flatMap(([test, read]) =>
      (read.length > 1 && !twoWays(read)) || read.some((e) => e.id.startsWith('record:')) ? [test] : [],
    ),
  )

/** Tests read twice that came out two ways. */
const readTwoWays = (evidence: readonly Weighed[]): ReadonlySet<string> =>
  new Set([...readings(evidence)].flatMap(([test, read]) => (twoWays(read) ? [test] : [])))

/** What was set up last: said so, or read dead on a visit. */
function setupAt(steps: readonly TraceStep[], evidence: readonly Evidence[]): Setup {
  const set = steps.findLast((s) => s.kind === 'setup')
  const dead = evidence.find((e) => e.result[0] === 'prove-dead' && e.result[1] === 'dead' && e.visit === null)
  if (dead && (!set || dead.at > set.at)) return 'locked out'
  return set?.setup ?? 'as found'
}

const isKnown = ([test, outcome]: Result): boolean => testOf.get(test)?.outcomes.some((o) => o.id === outcome) === true

const unexplained: Disagreement = {
  tests: [unlisted],
  because: 'No cause on the list explains all of these results together.',
  next: 'Strike out the result you trust least, or read it again. If all of them are right, the cause is not listed: get help.',
}

import { inOrder, type Adverse, type Decision, type JobFact, type ReadAt } from './facts.ts'
import { gradeBurn, type BurnTest } from './burn.ts'
import type { Tried } from './hub.ts'
import { jobKindOf } from './kinds.ts'
import { allThere, notBack } from './not-back.ts'
import { heldBy, planJob, type JobOn, type PlannedStep } from './plan.ts'
import { partChecks } from './parts/checks.ts'
import { checkParts, type PartCheck } from './parts/check.ts'
import { proofOf, type Proof } from './proof.ts'
import { restores, stays, takesOff, type Restore } from './taken-off.ts'

export interface Job {
  /** When it was made, ms since 1970. */
  readonly at: number
  readonly kinds: readonly string[]
  readonly skip: readonly string[]
}

type Fact<K extends JobFact['kind']> = Extract<JobFact, { kind: K }>

export interface StepStands extends PlannedStep {
  readonly state: 'done' | 'skipped' | 'ready' | 'held'
  readonly by: string
  readonly at: number | null
  /** Why it was skipped, or what was noted. */
  readonly note: string
  /** Steps it waits for. */
  readonly needs: readonly string[]
  /** What was measured in it last; null: nothing, or nothing is. */
  readonly check: PartCheck | null
  /** Its last combustion test. */
  readonly burnTest: BurnTest | null
  /** What was tried on its stuck hub, in order. */
  readonly tried: readonly Tried[]
  /** Tools and loose parts that were counted in it; null: none were. */
  readonly counted: number | null
}

/** Where a job stands. */
export interface JobStands {
  readonly state: 'open' | Decision | 'at work' | 'paused' | 'closed'
  readonly decision: Fact<'decision'> | null
  /** What was offered last. */
  readonly offer: Fact<'offer'> | null
  readonly steps: readonly StepStands[]
  /** What was taken off or lifted and is not back. */
  readonly open: readonly Restore[]
  readonly paused: Fact<'paused'> | null
  /** Parts that will do for now, oldest first. */
  readonly substitutes: readonly Fact<'substitute'>[]
  /** Something of the work was begun. */
  readonly begun: boolean
  readonly proof: readonly Proof[]
  /** What has to be put back before it is closed, whatever the reason; what a blank or a bypass leaves stays for its own job. */
  readonly bars: readonly Restore[]
  /** New parts that do not fit, as they were measured last, by the step. */
  readonly misfits: readonly StepStands[]
  /** Why it cannot be closed as proven; empty where it can. */
  readonly missing: readonly string[]
  readonly closed: Fact<'closed'> | null
}

/**
 * What is done again before hands go back in: a lock that was left over night is proven, not believed. With the lock off already
 * nobody goes back in. @source common practice
 */
const again = ['A2', 'A3', 'A4', 'A5', 'A6']
/** Steps of the work that are done with the machine shut, before its power is off or after it is back. */
const shut = ['VD1', 'TX1', 'SV1', 'TB1', 'FD1', 'VD8', 'TX6', 'TB5', 'FD11']

/** What settles a step. */
type Settling = Fact<'done' | 'skipped' | 'check' | 'burn'>

/** Steps as the facts leave them: the last word on each counts. */
function stepsAt(steps: readonly PlannedStep[], facts: readonly JobFact[]): readonly StepStands[] {
  // What locks, proves dead and discharges is done or it is not.
  const must = new Set(steps.flatMap((s) => (s.must ? [s.id] : [])))
  const last = new Map<string, Settling>()
  const checks = new Map<string, PartCheck>()
  const burns = new Map<string, BurnTest>()
  const burnt = new Set(steps.flatMap((s) => (s.burn ? [s.id] : [])))
  for (const f of facts) {
    if (f.kind === 'check') {
      const check = checkParts(f.step, f.measured)
      if (!check) continue
      checks.set(f.step, check)
      if (check.passes) last.set(f.step, f)
      else last.delete(f.step)
    } else if (f.kind === 'burn') {
      burns.set(f.step, f.test)
      if (gradeBurn(f.test).grade === 'good') last.set(f.step, f)
      else last.delete(f.step)
    } else if (f.kind === 'done') {
      const same = takesOff[f.step]?.count?.same
      // Where parts are measured a word is no measure; where tools are counted they are all there.
      if (!(f.step in partChecks) && !burnt.has(f.step) && allThere(f, same === undefined ? undefined : last.get(same)))
        last.set(f.step, f)
    } else if (f.kind === 'skipped') {
      if (!must.has(f.step)) last.set(f.step, f)
    } else if (f.kind === 'undone') last.delete(f.step)
    else if (f.kind === 'resumed' && last.get('Z3')?.kind !== 'done') for (const id of again) last.delete(id)
  }
  const settled = new Set(last.keys())
  const ids = new Set(steps.map((s) => s.id))
  // What was skipped was not checked: it opens nothing that cannot be undone.
  const checked = new Set([...last].flatMap(([id, f]) => (f.kind === 'skipped' ? [] : [id])))
  return steps.map((s) => {
    const own = last.get(s.id)
    const unchecked = (s.irreversible?.needs ?? []).filter((n) => steps.some((x) => x.id === n) && !checked.has(n))
    const opening = s.kind === null || shut.includes(s.id) ? [] : again.filter((id) => ids.has(id) && !settled.has(id))
    const needs = [...new Set([...opening, ...heldBy(s, steps, settled), ...unchecked])]
    return {
      ...s,
      state: own ? (own.kind === 'skipped' ? 'skipped' : 'done') : needs.length > 0 ? 'held' : 'ready',
      by: own?.by ?? '',
      at: own?.at ?? null,
      note: own?.kind === 'skipped' ? own.reason : own && 'note' in own ? own.note : '',
      burnTest: burns.get(s.id) ?? null,
      needs,
      check: checks.get(s.id) ?? null,
      tried: facts.flatMap((f) => (f.kind === 'rung' && f.step === s.id ? [f] : [])),
      counted: own?.kind === 'done' ? (own.count ?? null) : null,
    }
  })
}

const whyNot = (p: Proof): string => {
  if (p.after.length === 0) return 'Not read since the work'
  return p.otherwise.length > 0 ? `Read in another state (${p.otherwise.join('; ')})` : 'Not read at every place'
}

/** Steps of the work that are done between those of closing, after the first power: they read it themselves. */
const powered = ['VD8', 'TX6', 'TB5', 'FD11']

/** When the work itself ended: nothing read before proves it. Null while a step of it is open. */
export function workEnded(steps: readonly StepStands[]): number | null {
  const work = steps.filter((s) => s.kind !== null && !powered.includes(s.id))
  if (work.some((s) => s.state === 'ready' || s.state === 'held')) return null
  const done = work.filter((s) => s.state === 'done').map((s) => s.at ?? 0)
  return done.length === 0 ? null : Math.max(...done)
}

/**
 * Where a job stands: what was decided, which steps are done, what is open, and whether it is proven.
 * @param facts in any order @param visits of the machine, superseded ones left out
 * @param adverse what stands at it as to fix or to stop: found so after the work, nothing is proven
 * @throws RangeError for a kind that does not exist
 */
export function jobStands(
  job: Job,
  facts: readonly JobFact[],
  on: JobOn,
  visits: readonly ReadAt[],
  adverse: readonly Adverse[] = [],
): JobStands {
  const ordered = inOrder(facts)
  const steps = stepsAt(planJob(job.kinds, on, job.skip), ordered)
  const decision = ordered.findLast((f) => f.kind === 'decision') ?? null
  const closed = ordered.findLast((f) => f.kind === 'closed') ?? null
  const pause = ordered.findLast((f) => f.kind === 'paused' || f.kind === 'resumed')
  const paused = pause?.kind === 'paused' ? pause : null
  const open = notBack(ordered)
  const asked = [...new Set(job.kinds.flatMap((k) => jobKindOf.get(k)?.proof ?? []))]
  const begun = steps.some((s) => s.state === 'done')
  const firstStep = steps.flatMap((s) => (s.kind !== null && s.at !== null ? [s.at] : []))
  const ended = workEnded(steps)
  const began = firstStep.length > 0 ? Math.min(...firstStep) : job.at
  const proof = proofOf(asked, visits, began, ended, on.phases === 3 ? 3 : 1)
  const found = adverse.filter((a) => ended !== null && a.at >= ended)
  return {
    state: closed ? 'closed' : paused ? 'paused' : begun ? 'at work' : (decision?.decision ?? 'open'),
    decision,
    offer: ordered.findLast((f) => f.kind === 'offer') ?? null,
    steps,
    open,
    paused,
    substitutes: ordered.filter((f) => f.kind === 'substitute'),
    begun,
    proof,
    closed,
    misfits: closed ? [] : steps.filter((s) => s.check?.grade === 'does not fit' && s.state !== 'skipped'),
    bars: open.filter((r) => !stays(r)),
    missing: [
      ...steps.filter((s) => s.state === 'ready' || s.state === 'held').map((s) => `Step not done: ${s.title}`),
      // What was not measured is not known to fit, whatever the reason.
      ...steps.filter((s) => s.state === 'skipped' && s.id in partChecks).map((s) => `Not measured: ${s.title}`),
      ...open.map((r) => `Not restored: ${restores[r]}`),
      ...proof.filter((p) => !p.whole).map((p) => `${whyNot(p)}: ${p.words}`),
      ...found.map((a) => `Not good: ${a.words}`),
    ],
  }
}

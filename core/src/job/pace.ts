import { checkParts } from './parts/check.ts'
import type { JobFact } from './facts.ts'
import { planJob, type JobOn } from './plan.ts'

/** A job that was done, as far as its minutes teach something. */
export interface DoneJob {
  readonly kinds: readonly string[]
  readonly skip: readonly string[]
  readonly on: JobOn
  readonly facts: readonly JobFact[]
}

/** How long steps take here, as a share of the minutes of their template. */
export interface Pace {
  readonly factors: ReadonlyMap<string, number>
  /** Jobs that it was learned from. */
  readonly jobs: number
}

/** Steps ticked in a heap, and those with a lunch or a night in them, say nothing of their minutes. */
const least = 0.2
const most = 5
/** The template counts as so many steps that were timed, and fewer than that many say nothing. */
const prior = 3

const minuteMs = 60_000

/** Minutes of each step that follows another of the same hands without a break, over those of its template. */
function samples({ kinds, skip, on, facts }: DoneJob): readonly (readonly [string, number])[] {
  const planned = new Map(planJob(kinds, on, skip).map((s) => [s.id, s]))
  const ordered = [...facts].sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1))
  const seen = new Set<string>()
  return ordered.flatMap((f, i) => {
    const before = ordered[i - 1]
    const ends =
      f.kind === 'done' || f.kind === 'burn' || (f.kind === 'check' && checkParts(f.step, f.measured)?.passes)
    if (!ends || seen.has(f.step)) return []
    seen.add(f.step)
    const step = planned.get(f.step)
    const working =
      before && before.by === f.by && ['done', 'check', 'burn', 'skipped', 'resumed', 'rung'].includes(before.kind)
    if (!step || !working || step.minutes === 0 || step.waits.some((w) => w.minutes > 0)) return []
    const ratio = (f.at - before.at) / minuteMs / step.minutes
    return ratio >= least && ratio <= most ? [[f.step, ratio] as const] : []
  })
}

/**
 * What the jobs that were done teach of the minutes of steps: their geometric mean, drawn toward the template while few
 * are known.
 */
export function learnPace(jobs: readonly DoneJob[]): Pace {
  const logs = new Map<string, number[]>()
  let from = 0
  for (const job of jobs) {
    const own = samples(job)
    if (own.length > 0) from += 1
    for (const [id, ratio] of own) logs.set(id, [...(logs.get(id) ?? []), Math.log(ratio)])
  }
  const factors = [...logs].flatMap(([id, list]) =>
    list.length < prior ? [] : [[id, Math.exp(list.reduce((a, b) => a + b, 0) / (list.length + prior))] as const],
  )
  return { factors: new Map(factors), jobs: from }
}

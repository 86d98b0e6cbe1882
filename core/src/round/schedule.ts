import { clockwork } from './clockwork.ts'
import {
  fits,
  type RouteCost,
  type RouteProblem,
  type RouteStep,
  type Sequences,
  type Walker,
} from './route-problem.ts'

/** A step in its time. `start` is when the work begins, `end` when it is done; the walk and the lock lie before. */
export interface TimedStep {
  readonly step: string
  readonly walkers: readonly string[]
  readonly start: number
  readonly end: number
  readonly travel: number
  readonly waiting: number
}

/** A plan in words of the problem: who is where when, and what is left. */
export interface Route {
  readonly order: readonly { readonly walker: string; readonly steps: readonly string[] }[]
  readonly steps: readonly TimedStep[]
  readonly left: readonly { readonly step: string; readonly why: string }[]
  readonly cost: RouteCost
}

/** Why a step found no place. */
export const whyLeft = {
  people: 'needs two people',
  windows: 'the unit may not be shut down at these times',
  storm: 'not before the storm',
  full: 'no time left',
} as const

/** What stands against it alone, else that no time left. */
function reasonOf(p: RouteProblem, v: RouteStep): string {
  if (p.walkers.length < v.people) return whyLeft.people
  const trip = (w: Walker) => w.from + (p.travel[0]?.[v.place] ?? 0) + (v.lock === null ? 0 : p.lockMinutes)
  const earliest = [...p.walkers].map(trip).sort((a, b) => a - b)[v.people - 1] ?? 0
  const begins = fits(v, earliest)
  if (begins === null) return whyLeft.windows
  if (p.storm !== null && v.outdoors && begins + v.minutes > p.storm) return whyLeft.storm
  return whyLeft.full
}

/** Sequences without what would be done for nothing. */
function useful(p: RouteProblem, sequences: Sequences): Sequences {
  const there = new Set(sequences.flat().map((i) => p.steps[i]?.id))
  return sequences.map((list) =>
    list.filter((i) => {
      const serves = p.steps[i]?.serves
      return serves === undefined || there.has(serves)
    }),
  )
}

/** Tell sequences as a plan. @throws RangeError when they cannot be walked */
export function routeOf(p: RouteProblem, given: Sequences): Route {
  const sequences = useful(p, given)
  const t = clockwork(p).of(sequences)
  if (!t.feasible) throw new RangeError('sequences cannot be walked')
  const placed = new Set(sequences.flat())
  const steps = [...placed].map((i): TimedStep => ({
    step: p.steps[i]?.id ?? '',
    walkers: p.walkers.filter((_, k) => sequences[k]?.includes(i)).map((w) => w.id),
    start: t.start[i] ?? 0,
    end: t.end[i] ?? 0,
    travel: t.travel[i] ?? 0,
    waiting: t.waiting[i] ?? 0,
  }))
  return {
    order: p.walkers.map((w, k) => ({ walker: w.id, steps: (sequences[k] ?? []).map((i) => p.steps[i]?.id ?? '') })),
    steps: steps.sort((a, b) => a.start - b.start || (a.step < b.step ? -1 : 1)),
    left: p.steps.flatMap((v, i) => (placed.has(i) ? [] : [{ step: v.id, why: reasonOf(p, v) }])),
    cost: t.cost,
  }
}

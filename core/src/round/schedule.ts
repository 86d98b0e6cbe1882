/** One piece of work at one place. Minutes of the day for instants, minutes for lengths. */
export interface RouteVisit {
  readonly id: string
  /** Row of the travel matrix. */
  readonly place: number
  readonly minutes: number
  readonly people: 1 | 2
  /** When the unit may be stopped; empty: any time. */
  readonly windows: readonly { readonly from: number; readonly to: number }[]
  readonly outdoors: boolean
  /** What is locked out for it: the next visit under the same lock needs no locking again. Null: nothing. */
  readonly lock: string | null
  /** What must be done before it, and how long after: a soak, a cooling down. */
  readonly after: { readonly visit: string; readonly wait: number } | null
  /** The visit it is done for alone: without that it is left out. */
  readonly serves?: string
  /** What leaving it undone costs, above zero. */
  readonly value: number
  /** What every hour costs until it is begun; left out, nothing: it may be done at any time of the day. */
  readonly urgency?: number
}

export interface Walker {
  readonly id: string
  readonly from: number
  readonly to: number
}

export interface RouteProblem {
  readonly visits: readonly RouteVisit[]
  readonly walkers: readonly Walker[]
  /** Minutes between places; row 0 is where everyone starts and ends. */
  readonly travel: readonly (readonly number[])[]
  /** Locking out and proving dead. */
  readonly lockMinutes: number
  /** The hot hours, in which work outdoors is put off where it can be. */
  readonly heat: { readonly from: number; readonly to: number } | null
  /** When a storm is due: nothing outdoors ends later. */
  readonly storm: number | null
}

/** A visit in its time. `start` is when the work begins, `end` when it is done; the walk and the lock lie before. */
export interface TimedVisit {
  readonly visit: string
  readonly walkers: readonly string[]
  readonly start: number
  readonly end: number
  readonly travel: number
  readonly waiting: number
}

export interface RouteCost {
  readonly travel: number
  readonly waiting: number
  /** Minutes of outdoor work in the hot hours. */
  readonly hot: number
  /** Value of what is left undone. */
  readonly left: number
  /** When the last walker is back. */
  readonly back: number
  /** What is minimised. */
  readonly total: number
}

/** Sequences of visits, by index, one list a walker; a visit of two people stands in two lists. */
export type Sequences = readonly (readonly number[])[]

export interface Timing {
  readonly feasible: boolean
  readonly start: Float64Array
  readonly end: Float64Array
  readonly travel: Float64Array
  readonly waiting: Float64Array
  readonly cost: RouteCost
}

const weights = { left: 1000, travel: 1, waiting: 0.4, hot: 0.5, back: 0.15 }

/** The earliest start at or after an instant at which so many minutes fit a window; null: never. */
function fits(v: RouteVisit, ready: number): number | null {
  if (v.windows.length === 0) return ready
  let best: number | null = null
  for (const w of v.windows) {
    const start = Math.max(ready, w.from)
    if (start + v.minutes <= w.to + 1e-9 && (best === null || start < best)) best = start
  }
  return best
}

/** Where each visit stands, for reading costs over and over without making anything. */
export interface Clockwork {
  readonly of: (sequences: Sequences) => Timing
}

/**
 * Reads sequences into times: every visit begins when all its people are there, its unit may be stopped, what it comes
 * after is done and has waited long enough.
 * @throws RangeError when a visit names a predecessor or a place that is not there
 */
export function clockwork(p: RouteProblem): Clockwork {
  const n = p.visits.length
  const index = new Map(p.visits.map((v, i) => [v.id, i]))
  const before = p.visits.map((v) => {
    if (v.after === null) return -1
    const i = index.get(v.after.visit)
    if (i === undefined) throw new RangeError(`visit ${v.id} comes after one that is not there`)
    return i
  })
  for (const v of p.visits) if (!p.travel[v.place]) throw new RangeError(`visit ${v.id} is at no place`)
  // Waiting for somebody who begins later is waiting too.
  const dayBegins = Math.min(...p.walkers.map((w) => w.from), Infinity)
  const start = new Float64Array(n)
  const end = new Float64Array(n)
  const travel = new Float64Array(n)
  const waiting = new Float64Array(n)
  const state = new Int8Array(n)
  const arrived = new Float64Array(n)
  const present = new Int8Array(n)
  const at = new Int32Array(p.walkers.length)
  const time = new Float64Array(p.walkers.length)
  const place = new Int32Array(p.walkers.length)
  const lock: (string | null)[] = p.walkers.map(() => null)
  const asked = new Int8Array(p.walkers.length)

  const of = (sequences: Sequences): Timing => {
    state.fill(0)
    present.fill(0)
    arrived.fill(0)
    travel.fill(0)
    waiting.fill(0)
    asked.fill(0)
    at.fill(0)
    place.fill(0)
    p.walkers.forEach((w, k) => {
      time[k] = w.from
      lock[k] = null
    })
    let sumTravel = 0
    let sumWait = 0
    let hot = 0
    let late = 0
    let feasible = true
    let moved = true
    while (moved && feasible) {
      moved = false
      for (let k = 0; k < p.walkers.length; k++) {
        const own = sequences[k] ?? []
        for (;;) {
          const i = own[at[k] ?? 0]
          const v = i === undefined ? undefined : p.visits[i]
          if (i === undefined || !v) break
          if (state[i] === 0) {
            // This walker comes to it once; of two the later one sets the time.
            if (!asked[k]) {
              asked[k] = 1
              const way = p.travel[place[k] ?? 0]?.[v.place] ?? 0
              const setup = v.lock !== null && lock[k] !== v.lock ? p.lockMinutes : 0
              travel[i] = (travel[i] ?? 0) + way
              sumTravel += way
              arrived[i] = Math.max(arrived[i] ?? 0, (time[k] ?? 0) + way + setup)
              waiting[i] = (waiting[i] ?? 0) - ((time[k] ?? 0) + way + setup)
              present[i] = (present[i] ?? 0) + 1
            }
            const b = before[i] ?? -1
            if ((present[i] ?? 0) < v.people || (b >= 0 && state[b] === 0)) break
            const ready = Math.max(arrived[i] ?? 0, b >= 0 ? (end[b] ?? 0) + (v.after?.wait ?? 0) : 0)
            const begins = fits(v, ready)
            if (begins === null || (p.storm !== null && v.outdoors && begins + v.minutes > p.storm + 1e-9)) {
              feasible = false
              break
            }
            start[i] = begins
            end[i] = begins + v.minutes
            waiting[i] = (waiting[i] ?? 0) + v.people * begins
            sumWait += waiting[i] ?? 0
            if (p.heat && v.outdoors)
              hot += Math.max(0, Math.min(end[i] ?? 0, p.heat.to) - Math.max(begins, p.heat.from)) * v.people
            state[i] = 1
            moved = true
            late += ((v.urgency ?? 0) * (begins - dayBegins)) / 60
          }
          time[k] = end[i] ?? 0
          place[k] = v.place
          lock[k] = v.lock
          at[k] = (at[k] ?? 0) + 1
          asked[k] = 0
          if ((time[k] ?? 0) + (p.travel[v.place]?.[0] ?? 0) > (p.walkers[k]?.to ?? 0) + 1e-9) feasible = false
          if (!feasible) break
          moved = true
        }
        if (!feasible) break
      }
    }
    let back = 0
    for (let k = 0; k < p.walkers.length; k++) {
      if ((at[k] ?? 0) < (sequences[k]?.length ?? 0)) feasible = false
      if ((at[k] ?? 0) === 0) continue
      const home = p.travel[place[k] ?? 0]?.[0] ?? 0
      sumTravel += home
      back = Math.max(back, (time[k] ?? 0) + home)
    }
    let left = 0
    for (let i = 0; i < n; i++) if (state[i] === 0) left += p.visits[i]?.value ?? 0
    const total =
      weights.left * left +
      weights.travel * sumTravel +
      weights.waiting * sumWait +
      weights.hot * hot +
      weights.back * back +
      late
    return {
      feasible,
      start,
      end,
      travel,
      waiting,
      cost: { travel: sumTravel, waiting: sumWait, hot, left, back, total },
    }
  }
  return { of }
}

/** A plan in words of the problem: who is where when, and what is left. */
export interface RoutePlan {
  readonly order: readonly { readonly walker: string; readonly visits: readonly string[] }[]
  readonly visits: readonly TimedVisit[]
  readonly left: readonly { readonly visit: string; readonly why: string }[]
  readonly cost: RouteCost
}

/** Why a visit found no place. */
export const whyLeft = {
  people: 'it takes two people',
  windows: 'its unit may not be stopped in these hours',
  storm: 'the storm comes first',
  full: 'the day is full',
} as const

/** What stands against it alone, else that the day is full. */
function reasonOf(p: RouteProblem, v: RouteVisit): string {
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
  const there = new Set(sequences.flat().map((i) => p.visits[i]?.id))
  return sequences.map((list) =>
    list.filter((i) => {
      const serves = p.visits[i]?.serves
      return serves === undefined || there.has(serves)
    }),
  )
}

/** Tell sequences as a plan. @throws RangeError when they cannot be walked */
export function planOf(p: RouteProblem, given: Sequences): RoutePlan {
  const sequences = useful(p, given)
  const t = clockwork(p).of(sequences)
  if (!t.feasible) throw new RangeError('sequences cannot be walked')
  const placed = new Set(sequences.flat())
  const visits = [...placed].map((i): TimedVisit => ({
    visit: p.visits[i]?.id ?? '',
    walkers: p.walkers.filter((_, k) => sequences[k]?.includes(i)).map((w) => w.id),
    start: t.start[i] ?? 0,
    end: t.end[i] ?? 0,
    travel: t.travel[i] ?? 0,
    waiting: t.waiting[i] ?? 0,
  }))
  return {
    order: p.walkers.map((w, k) => ({ walker: w.id, visits: (sequences[k] ?? []).map((i) => p.visits[i]?.id ?? '') })),
    visits: visits.sort((a, b) => a.start - b.start || (a.visit < b.visit ? -1 : 1)),
    left: p.visits.flatMap((v, i) => (placed.has(i) ? [] : [{ visit: v.id, why: reasonOf(p, v) }])),
    cost: t.cost,
  }
}

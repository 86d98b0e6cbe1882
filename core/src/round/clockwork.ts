import { fits, type RouteCost, type RouteProblem, type Sequences } from './route-problem.ts'

/** Where each step stands in its time; overwritten by the next reading. */
export interface Timing {
  readonly feasible: boolean
  readonly start: Float64Array
  readonly end: Float64Array
  readonly travel: Float64Array
  readonly waiting: Float64Array
  readonly cost: RouteCost
}

/** What the parts of a plan cost against each other; a minute of walking is one. */
export const weights = { left: 1000, travel: 1, waiting: 0.4, hot: 0.5, back: 0.15 }

/** Reads sequences into times, over and over, without making anything. */
export interface Clockwork {
  /** What each step comes after, by index; -1: nothing. */
  readonly before: Int32Array
  /** All of it. */
  readonly of: (sequences: Sequences) => Timing
  /**
   * What walking them costs, besides what is left undone. Infinity where they cannot be walked, and where it comes to `most`
   * or more: then it is not read to the end.
   */
  readonly walked: (sequences: Sequences, most?: number) => number
}

/** The steps of a problem as columns: they are read some ten thousand times a second. */
function columnsOf(p: RouteProblem) {
  const index = new Map(p.steps.map((v, i) => [v.id, i]))
  const locks = new Map<string, number>()
  const lockOf = (name: string | null): number => {
    if (name === null) return -1
    const known = locks.get(name) ?? locks.size
    locks.set(name, known)
    return known
  }
  const before = Int32Array.from(p.steps, (v) => {
    if (v.after === null) return -1
    const i = index.get(v.after.step)
    if (i === undefined) throw new RangeError(`step ${v.id} comes after one that is not there`)
    return i
  })
  for (const v of p.steps) if (!p.travel[v.place]) throw new RangeError(`step ${v.id} is at no place`)
  const places = p.travel.length
  const ways = new Float64Array(places * places)
  p.travel.forEach((row, from) => row.forEach((way, to) => (ways[from * places + to] = way)))
  return {
    before,
    places,
    ways,
    place: Int32Array.from(p.steps, (v) => v.place),
    minutes: Float64Array.from(p.steps, (v) => v.minutes),
    people: Int8Array.from(p.steps, (v) => v.people),
    lock: Int32Array.from(p.steps, (v) => lockOf(v.lock)),
    wait: Float64Array.from(p.steps, (v) => v.after?.wait ?? 0),
    urgency: Float64Array.from(p.steps, (v) => (v.urgency ?? 0) / 60),
    outdoors: Uint8Array.from(p.steps, (v) => (v.outdoors ? 1 : 0)),
    windowed: Uint8Array.from(p.steps, (v) => (v.windows.length > 0 ? 1 : 0)),
    from: Float64Array.from(p.walkers, (w) => w.from),
    to: Float64Array.from(p.walkers, (w) => w.to),
  }
}

/**
 * Every step begins when all its people are there, its unit may be stopped, what it comes after is done and has waited
 * long enough.
 * @throws RangeError when a step names a predecessor or a place that is not there
 */
export function clockwork(p: RouteProblem): Clockwork {
  const {
    before,
    places,
    ways,
    place: placeOf,
    minutes,
    people,
    lock: lockOf,
    wait,
    urgency,
    outdoors,
    windowed,
    from,
    to,
  } = columnsOf(p)
  const n = p.steps.length
  const { lockMinutes, steps } = p
  const walkers = p.walkers.length
  // Waiting for somebody who begins later is waiting too.
  const dayBegins = Math.min(...from, Infinity)
  const storm = p.storm ?? Infinity
  const [hotFrom, hotTo] = p.heat ? [p.heat.from, p.heat.to] : [Infinity, -Infinity]
  const start = new Float64Array(n)
  const end = new Float64Array(n)
  const travel = new Float64Array(n)
  const waiting = new Float64Array(n)
  const done = new Uint8Array(n)
  const arrived = new Float64Array(n)
  const present = new Int8Array(n)
  const at = new Int32Array(walkers)
  const time = new Float64Array(walkers)
  const place = new Int32Array(walkers)
  const lock = new Int32Array(walkers)
  const asked = new Uint8Array(walkers)
  const sum = { travel: 0, waiting: 0, hot: 0, late: 0, back: 0 }

  /** @returns false where they cannot be walked, or cost `most` */
  const read = (sequences: Sequences, most: number): boolean => {
    done.fill(0)
    present.fill(0)
    arrived.fill(0)
    travel.fill(0)
    waiting.fill(0)
    at.fill(0)
    place.fill(0)
    lock.fill(-1)
    asked.fill(0)
    time.set(from)
    let sumTravel = 0
    let sumWait = 0
    let hot = 0
    let late = 0
    for (let moved = true; moved;) {
      moved = false
      for (let k = 0; k < walkers; k++) {
        const own = sequences[k] as readonly number[]
        let next = at[k] as number
        for (; next < own.length; next++) {
          const i = own[next] as number
          const here = placeOf[i] as number
          if (done[i] === 0) {
            // This walker comes to it once; of two the later one sets the time.
            if (asked[k] === 0) {
              asked[k] = 1
              const way = ways[(place[k] as number) * places + here] as number
              const there = (time[k] as number) + way + (lockOf[i] !== -1 && lock[k] !== lockOf[i] ? lockMinutes : 0)
              travel[i] = (travel[i] as number) + way
              sumTravel += way
              if (there > (arrived[i] as number)) arrived[i] = there
              waiting[i] = (waiting[i] as number) - there
              present[i] = (present[i] as number) + 1
            }
            const b = before[i] as number
            if ((present[i] as number) < (people[i] as number) || (b >= 0 && done[b] === 0)) break
            let begins = arrived[i] as number
            if (b >= 0) begins = Math.max(begins, (end[b] as number) + (wait[i] as number))
            if (windowed[i] === 1) {
              const first = fits(steps[i] as RouteProblem['steps'][number], begins)
              if (first === null) return false
              begins = first
            }
            const ends = begins + (minutes[i] as number)
            if (outdoors[i] === 1) {
              if (ends > storm + 1e-9) return false
              if (begins < hotTo && ends > hotFrom)
                hot += (Math.min(ends, hotTo) - Math.max(begins, hotFrom)) * (people[i] as number)
            }
            start[i] = begins
            end[i] = ends
            waiting[i] = (waiting[i] as number) + (people[i] as number) * begins
            sumWait += waiting[i]
            late += (urgency[i] as number) * (begins - dayBegins)
            done[i] = 1
          }
          time[k] = end[i] as number
          place[k] = here
          lock[k] = lockOf[i] as number
          asked[k] = 0
          moved = true
          if ((time[k] as number) + (ways[here * places] as number) > (to[k] as number) + 1e-9) return false
        }
        at[k] = next
        if (weights.travel * sumTravel + weights.waiting * sumWait + weights.hot * hot + late >= most) return false
      }
    }
    let back = 0
    for (let k = 0; k < walkers; k++) {
      if ((at[k] as number) < (sequences[k] as readonly number[]).length) return false
      if (at[k] === 0) continue
      const home = ways[(place[k] as number) * places] as number
      sumTravel += home
      back = Math.max(back, (time[k] as number) + home)
    }
    sum.travel = sumTravel
    sum.waiting = sumWait
    sum.hot = hot
    sum.late = late
    sum.back = back
    return true
  }
  const walkedSum = () =>
    weights.travel * sum.travel +
    weights.waiting * sum.waiting +
    weights.hot * sum.hot +
    weights.back * sum.back +
    sum.late

  return {
    before,
    of: (sequences) => {
      const feasible = read(sequences, Infinity)
      let left = 0
      for (let i = 0; i < n; i++) if (done[i] === 0) left += p.steps[i]?.value ?? 0
      const { travel: walking, waiting: stood, hot, back } = sum
      const cost = { travel: walking, waiting: stood, hot, left, back, total: weights.left * left + walkedSum() }
      return { feasible, start, end, travel, waiting, cost }
    },
    walked: (sequences, most = Infinity) => {
      const total = read(sequences, most) ? walkedSum() : Infinity
      return total < most ? total : Infinity
    },
  }
}

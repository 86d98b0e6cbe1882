import { factorSpd } from './solve.ts'

/** One comparable reading of a machine: the logarithm of its amps, and what its level depends on besides. */
export interface WatchPoint {
  /** ms since 1970 */
  readonly at: number
  /** Mean of the legs, amperes. */
  readonly amps: number
  /** Mean line volts over the machine's usual volts; 1 where none were read. */
  readonly volts: number
  /** How long the filters have been in, as a share of a year, at most 1; 0 where nothing is known of them. */
  readonly filters: number
  /** Logarithm of the hertz it was read at over those its amps were brought to; 0 where it was read at these. */
  readonly hertz: number
}

/** What a reading was expected to be, by those before it. */
export interface Expected {
  /** Middle and 95 % range, amperes. */
  readonly low: number
  readonly middle: number
  readonly high: number
  /** How many readings stand behind it. */
  readonly n: number
}

/** A change of the amps that nothing explains yet. */
export interface Change {
  /** The first reading that shows it, ms since 1970. */
  readonly since: number
  /** How far the latest readings lie from what was expected, as a fraction of it. */
  readonly by: number
}

/** What the readings up to one of them say. */
export interface Watched {
  readonly expected: Expected | null
  readonly change: Change | null
}

const yearMs = 365.25 * 86_400_000
/** Readings that a baseline stands on; older ones of it are shown and not fitted. */
const window = 24
const fewest = 4

/**
 * What the model of a motor on a drive misses, per natural logarithm of the hertz.
 * @source common practice: no-load amps are known to 15 %, and torque of a fan is not always the square of its speed
 */
export const hertzMissed = 0.2

/**
 * What is believed of a machine before anything is read: level free, half of the volts' swing shows in the amps, a yearly swing
 * of two per cent, three per cent by the age of the filters, and what the model of a motor on a drive misses across hertz: at half
 * as many again some eight per cent. Standard deviations of the terms after the level.
 */
const priors = [0.02, 0.02, 0.5, 0.03, hertzMissed] as const
const voltsBelieved = -0.5
/** Scatter of a clamp from visit to visit, and how many readings that belief is worth. */
export const scatter = 0.015
const scatterWorth = 8
/**
 * Standard errors out at which a single reading is told as changed at four visits a year; at more of them it takes more, so that
 * chance alone speaks up equally seldom in a year. Two readings together take a little less.
 */
const oneOut = 3.05
const moreAtThreeTimesTheVisits = 0.35
const twoLess = 0.17
/** Smaller changes are told of nothing, however sure they are. */
const least = 0.025

const terms = 1 + priors.length

/** A reading as the regression sees it, worked out once. */
interface Row {
  readonly at: number
  /** Terms: level, yearly swing (two), volts, filters, hertz. */
  readonly x: readonly number[]
  /** Logarithm of the amps. */
  readonly log: number
}

function rowOf(p: WatchPoint): Row {
  const turn = (2 * Math.PI * p.at) / yearMs
  return {
    at: p.at,
    x: [1, Math.cos(turn), Math.sin(turn), Math.log(p.volts), p.filters, p.hertz],
    log: Math.log(p.amps),
  }
}

/** What some next readings are expected to be together: mean of their logarithms, its standard error, and how far off they are. */
interface Expectation {
  readonly mean: number
  readonly error: number
  readonly off: number
}

/** A baseline as it was fitted at one moment: what it expects of readings to come. */
type Fit = (next: readonly Row[]) => Expectation

/** The baseline: sums of a regression with priors, to which readings are added and from which they are taken. */
class Baseline {
  readonly #rows: Row[] = []
  readonly #a: number[] = new Array<number>(terms * terms).fill(0)
  readonly #b: number[] = new Array<number>(terms).fill(0)
  #yy = 0
  #shift: number | null = null
  #fit: { readonly is: Fit | null } | null = null

  get n(): number {
    return this.#rows.length
  }

  #sum(row: Row, sign: 1 | -1): void {
    const x = row.x
    const y = this.#y(row)
    for (let i = 0; i < terms; i++) {
      const xi = x[i] ?? 0
      for (let j = 0; j < terms; j++) this.#a[i * terms + j] = (this.#a[i * terms + j] ?? 0) + sign * xi * (x[j] ?? 0)
      this.#b[i] = (this.#b[i] ?? 0) + sign * xi * y
    }
    this.#yy += sign * y * y
    this.#fit = null
  }

  /** How often it was read, visits a year, between once and weekly. */
  get visitsAYear(): number {
    const first = this.#rows[0]
    const last = this.#rows.at(-1)
    if (!first || !last || last.at <= first.at) return 4
    return Math.min(52, Math.max(1, ((this.n - 1) * yearMs) / (last.at - first.at)))
  }

  /** Logarithms about that of the first reading: small numbers, so that sums can be taken apart again. */
  #y(row: Row): number {
    this.#shift ??= row.log
    return row.log - this.#shift
  }

  add(row: Row): void {
    this.#rows.push(row)
    this.#sum(row, 1)
    const oldest = this.n > window ? this.#rows.shift() : undefined
    if (oldest) this.#sum(oldest, -1)
  }

  /** Take out the reading that was added last. */
  drop(): void {
    const last = this.#rows.pop()
    if (last) this.#sum(last, -1)
  }

  /** What it expects now; null with too few readings. */
  get fit(): Fit | null {
    return (this.#fit ??= { is: this.n < fewest ? null : this.#fitted() }).is
  }

  #fitted(): Fit | null {
    const noise = scatter * scatter
    const a = this.#a.slice()
    const b = this.#b.slice()
    priors.forEach((sd, k) => {
      const i = (k + 1) * terms + k + 1
      const weight = noise / (sd * sd)
      a[i] = (a[i] ?? 0) + weight
      if (k === 2) b[k + 1] = (b[k + 1] ?? 0) + weight * voltsBelieved
    })
    const solve = factorSpd(a, terms)
    if (!solve) return null
    const beta = solve(b)
    const priorPull = (voltsBelieved * voltsBelieved * noise) / (priors[2] * priors[2])
    const left = Math.max(0, this.#yy + priorPull - dot(beta, b))
    const variance = (scatterWorth * noise + left) / (scatterWorth + this.n)
    const shift = this.#shift ?? 0
    return (next) => {
      const x = rowMean(next)
      const mean = dot(beta, x)
      return {
        mean: mean + shift,
        error: Math.sqrt(variance * (1 / next.length + dot(solve(x), x))),
        off: next.reduce((s, row) => s + row.log - shift, 0) / next.length - mean,
      }
    }
  }
}

function dot(a: readonly number[], b: readonly number[]): number {
  let sum = 0
  for (let i = 0; i < terms; i++) sum += (a[i] ?? 0) * (b[i] ?? 0)
  return sum
}

function rowMean(rows: readonly Row[]): readonly number[] {
  const [only] = rows
  if (only && rows.length === 1) return only.x
  const mean: number[] = []
  for (let i = 0; i < terms; i++) {
    let sum = 0
    for (const row of rows) sum += row.x[i] ?? 0
    mean.push(sum / rows.length)
  }
  return mean
}

/** Too far off to be chance, and far enough to matter. */
const out = (e: Expectation | null, limit: number): boolean =>
  e !== null && Math.abs(e.off) > limit * e.error && Math.abs(e.off) > least

/** What a change is known by while it stands. */
interface Changed {
  readonly since: number
  readonly by: number
  readonly held: readonly Row[]
}

/** Where a watch stands after a reading. */
interface Stands {
  readonly baseline: Baseline
  readonly changed: Changed | null
  /** The reading before, and the baseline as it was without it. */
  readonly before: { readonly row: Row; readonly fit: Fit | null } | null
}

/** What one more reading says in the light of those before it, and what it leaves behind. */
interface Seen {
  readonly row: Row
  readonly last: (Expectation & { readonly n: number }) | null
  readonly changed: Changed | null
  /** The reading before belongs to the change: it leaves the baseline. */
  readonly drops: boolean
}

/**
 * Readings of one baseline, watched one after the other: each is compared with all before it that were as expected. A change
 * stands, and what was expected before it is kept, until a reading is as expected again or a person explained it.
 * @source regression with priors on level, a yearly swing, volts and the age of the filters; a reading, or two together, too many
 * standard errors out
 */
export class AmpsWatch {
  #stands: Stands = { baseline: new Baseline(), changed: null, before: null }
  #last: Seen['last'] = null
  readonly #explanations: number[]

  /** @param explained instants at which a person said what it was: what is read from the change on begins a baseline of its own */
  constructor(explained: readonly number[]) {
    this.#explanations = [...explained].sort((a, b) => a - b)
  }

  /** Its state at an instant: an explanation since the last reading ends the change that was open. */
  #standsAt(at: number): Stands {
    const { changed } = this.#stands
    if (!changed || !this.#explanations.some((e) => e < at)) return this.#stands
    const baseline = new Baseline()
    for (const held of changed.held) baseline.add(held)
    return { baseline, changed: null, before: null }
  }

  /**
   * Take one more reading in, later than those before it.
   * @throws RangeError when amps or volts are not above zero
   */
  take(p: WatchPoint): void {
    const { baseline, ...stood } = this.#standsAt(p.at)
    const { row, last, changed, drops } = see({ baseline, ...stood }, p)
    while (this.#explanations[0] !== undefined && this.#explanations[0] < p.at) this.#explanations.shift()
    if (drops) baseline.drop()
    const before = changed ? null : { row, fit: baseline.fit }
    if (!changed) baseline.add(row)
    this.#stands = { baseline, changed, before }
    this.#last = last
  }

  /** What was known at the last of the readings taken in; nothing is expected with fewer than four before it. */
  get known(): Watched {
    return watched(this.#last, this.#stands.changed)
  }

  /**
   * What would be known at one more reading, without taking it in.
   * @throws RangeError as `take`
   */
  at(p: WatchPoint): Watched {
    const { last, changed } = see(this.#standsAt(p.at), p)
    return watched(last, changed)
  }
}

function see({ baseline, changed, before }: Stands, p: WatchPoint): Seen {
  if (!(p.amps > 0) || !Number.isFinite(p.amps)) throw new RangeError('amps must be a finite number above zero')
  if (!(p.volts > 0) || !Number.isFinite(p.volts)) throw new RangeError('volts must be a finite number above zero')
  const row = rowOf(p)
  const one = baseline.fit?.([row]) ?? null
  // The reading before is in the baseline by now; two together are compared with what it was before both.
  const two = before !== null && changed === null ? (before.fit?.([before.row, row]) ?? null) : null
  const limit = oneOut + (moreAtThreeTimesTheVisits * Math.log(baseline.visitsAYear / 4)) / Math.log(3)
  const last = one && { ...one, n: baseline.n }
  const byOne = one !== null && out(one, changed ? limit - twoLess : limit)
  const byTwo = out(two, limit - twoLess) && one !== null && Math.sign(one.off) === Math.sign(two?.off ?? 0)
  if (!byOne && !byTwo) return { row, last, changed: null, drops: false }
  const by = Math.expm1((byTwo && !byOne ? two?.off : one.off) ?? 0)
  if (changed) return { row, last, changed: { ...changed, by, held: [...changed.held, row] }, drops: false }
  const since: Row = byOne || before === null ? row : before.row
  const drops = since !== row
  return { row, last, changed: { since: since.at, by, held: drops ? [since, row] : [row] }, drops }
}

const watched = (last: Seen['last'], changed: Changed | null): Watched => ({
  expected: last && {
    low: Math.exp(last.mean - 1.96 * last.error),
    middle: Math.exp(last.mean),
    high: Math.exp(last.mean + 1.96 * last.error),
    n: last.n,
  },
  change: changed && { since: changed.since, by: changed.by },
})

/**
 * Readings of one baseline, all at once.
 * @param points in order of time, amps above zero
 * @param explained as `AmpsWatch`
 * @returns what was known at the last of them
 * @throws RangeError when amps or volts are not above zero
 */
export function watchAmps(points: readonly WatchPoint[], explained: readonly number[]): Watched {
  const watch = new AmpsWatch(explained)
  for (const p of points) watch.take(p)
  return watch.known
}

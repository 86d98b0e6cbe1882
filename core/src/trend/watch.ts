import { solveSpd } from './solve.ts'

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
 * What is believed of a machine before anything is read: level free, half of the volts' swing shows in the amps, a yearly swing
 * of two per cent, three per cent by the age of the filters. Standard deviations of the terms after the level.
 */
const priors = [0.02, 0.02, 0.5, 0.03] as const
const voltsBelieved = -0.5
/** Scatter of a clamp from visit to visit, and how many readings that belief is worth. */
const scatter = 0.015
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
  /** Terms: level, yearly swing (two), volts, filters. */
  readonly x: readonly number[]
  /** Logarithm of the amps. */
  readonly log: number
}

function rowOf(p: WatchPoint): Row {
  const turn = (2 * Math.PI * p.at) / yearMs
  return { at: p.at, x: [1, Math.cos(turn), Math.sin(turn), Math.log(p.volts), p.filters], log: Math.log(p.amps) }
}

/** The baseline: sums of a regression with priors, to which readings are added and from which they are taken. */
class Baseline {
  readonly #rows: Row[] = []
  readonly #a: number[] = new Array<number>(terms * terms).fill(0)
  readonly #b: number[] = new Array<number>(terms).fill(0)
  #yy = 0
  #shift: number | null = null

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

  /** What some next readings are expected to be together: mean of their logarithms, its standard error, and how far off they are. */
  expect(next: readonly Row[]): { mean: number; error: number; off: number } | null {
    if (this.n < fewest) return null
    const noise = scatter * scatter
    const a = this.#a.slice()
    const b = this.#b.slice()
    priors.forEach((sd, k) => {
      const i = (k + 1) * terms + k + 1
      const weight = noise / (sd * sd)
      a[i] = (a[i] ?? 0) + weight
      if (k === 2) b[k + 1] = (b[k + 1] ?? 0) + weight * voltsBelieved
    })
    const x = rowMean(next)
    const solved = solveSpd(a, terms, [b, x])
    if (!solved) return null
    const [beta, spread] = solved
    if (!beta || !spread) return null
    let fitted = 0
    for (let i = 0; i < terms; i++) fitted += (beta[i] ?? 0) * (b[i] ?? 0)
    const priorPull = (voltsBelieved * voltsBelieved * noise) / (priors[2] * priors[2])
    const left = Math.max(0, this.#yy + priorPull - fitted)
    const variance = (scatterWorth * noise + left) / (scatterWorth + this.n)
    let mean = 0
    let lever = 0
    for (let i = 0; i < terms; i++) {
      mean += (beta[i] ?? 0) * (x[i] ?? 0)
      lever += (spread[i] ?? 0) * (x[i] ?? 0)
    }
    const off = next.reduce((s, row) => s + this.#y(row), 0) / next.length - mean
    return { mean: mean + (this.#shift ?? 0), error: Math.sqrt(variance * (1 / next.length + lever)), off }
  }
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

/**
 * Watch the readings of one baseline, one after the other: each is held against all before it that were as expected. A change
 * stands, and what was expected before it is kept, until a reading is as expected again or a person explained it.
 * @param points in order of time, amps above zero
 * @param explained instants at which a person said what it was: what is read from the change on begins a baseline of its own
 * @returns what was known at the last of them; nothing is expected with fewer than four readings before it
 * @throws RangeError when amps or volts are not above zero
 * @source regression with priors on level, a yearly swing, volts and the age of the filters; a reading, or two together, too many
 * standard errors out
 */
export function watchAmps(points: readonly WatchPoint[], explained: readonly number[]): Watched {
  let baseline = new Baseline()
  let changed: { since: number; by: number; held: Row[] } | null = null
  let before: Row | null = null
  let last: Watched = { expected: null, change: null }
  const explanations = [...explained].sort((a, b) => a - b)
  for (const p of points) {
    if (!(p.amps > 0) || !Number.isFinite(p.amps)) throw new RangeError('amps must be a finite number above zero')
    if (!(p.volts > 0) || !Number.isFinite(p.volts)) throw new RangeError('volts must be a finite number above zero')
    while (explanations[0] !== undefined && explanations[0] < p.at) {
      explanations.shift()
      if (!changed) continue
      baseline = new Baseline()
      for (const held of changed.held) baseline.add(held)
      changed = null
      before = null
    }
    const row = rowOf(p)
    const one = baseline.expect([row])
    // The reading before is in the baseline by now; two together are held against those before both.
    let two: ReturnType<Baseline['expect']> = null
    if (before !== null && changed === null) {
      baseline.drop()
      two = baseline.expect([before, row])
      baseline.add(before)
    }
    const limit = oneOut + (moreAtThreeTimesTheVisits * Math.log(baseline.visitsAYear / 4)) / Math.log(3)
    const out = (e: { off: number; error: number } | null, limit: number) =>
      e !== null && Math.abs(e.off) > limit * e.error && Math.abs(e.off) > least
    const expected = one && {
      low: Math.exp(one.mean - 1.96 * one.error),
      middle: Math.exp(one.mean),
      high: Math.exp(one.mean + 1.96 * one.error),
      n: baseline.n,
    }
    const byOne = one !== null && out(one, changed ? limit - twoLess : limit)
    const byTwo = out(two, limit - twoLess) && one !== null && Math.sign(one.off) === Math.sign(two?.off ?? 0)
    if (byOne || byTwo) {
      const by = Math.expm1((byTwo && !byOne ? two?.off : one.off) ?? 0)
      if (!changed) {
        const since: Row = byOne || before === null ? row : before
        if (since !== row) baseline.drop()
        changed = { since: since.at, by, held: since === row ? [row] : [since, row] }
      } else {
        changed.by = by
        changed.held.push(row)
      }
    } else {
      changed = null
      baseline.add(row)
    }
    before = changed ? null : row
    last = { expected, change: changed ? { since: changed.since, by: changed.by } : null }
  }
  return last
}

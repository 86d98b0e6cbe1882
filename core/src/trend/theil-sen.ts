import { mannKendallOf } from './mann-kendall.ts'
import { medianInPlace, medianOfRange, selectInPlace } from './select.ts'
import { signSum } from './sign-sum.ts'

export interface Line {
  /** Median of the slopes of all pairs, in y per x. */
  readonly slope: number
  /** Median of y - slope x. */
  readonly intercept: number
  /** 95 % limits of the slope by Sen's method. */
  readonly low: number
  readonly high: number
  /** Two-sided probability of such a run of values without any trend. */
  readonly p: number
  readonly n: number
}

/** Above this many points the pairs grow too many; callers thin their points first. */
export const mostPoints = 400

/** Room for the slopes of all pairs, kept from call to call: a portfolio fits a hundred thousand lines. */
const slopes = new Float64Array((mostPoints * (mostPoints - 1)) / 2)
const left = new Float64Array(mostPoints)
const xs = new Float64Array(mostPoints)
const ys = new Float64Array(mostPoints)

/**
 * Theil-Sen line: robust against a few wild points. Points must be in order of x.
 * @param x positions, not all equal; @param y values, same length
 * @throws RangeError on fewer than three points, more than `mostPoints`, unequal lengths, all x equal, or a value that is
 * not finite
 * @source Theil 1950, Sen 1968 (mean of the middle two slopes when even)
 */
export function theilSen(x: readonly number[], y: readonly number[]): Line {
  const n = x.length
  if (n !== y.length) throw new RangeError('y must be as long as x')
  if (n < 3 || n > mostPoints) throw new RangeError(`x must have 3 to ${mostPoints} points`)
  for (let i = 0; i < n; i++) {
    xs[i] = x[i] as number
    ys[i] = y[i] as number
    if (!Number.isFinite(xs[i])) throw new RangeError('x must be finite numbers')
    if (!Number.isFinite(ys[i])) throw new RangeError('y must be finite numbers')
  }
  let k = 0
  // The bounds of the loops keep every index inside: nothing is asked twice where it is asked a hundred thousand times.
  for (let i = 0; i < n; i++) {
    const xi = xs[i] as number
    const yi = ys[i] as number
    for (let j = i + 1; j < n; j++) {
      const dx = (xs[j] as number) - xi
      if (dx !== 0) slopes[k++] = ((ys[j] as number) - yi) / dx
    }
  }
  if (k === 0) throw new RangeError('x must not be all equal')
  const signs = signSum(ys, n)
  const test = mannKendallOf(n, signs.sum, signs.ties === 0 ? null : y)
  const reach = 1.959963985 * Math.sqrt(test.variance)
  // Rounded outward: a little wide is honest, a little narrow is not.
  const lowIndex = Math.max(0, Math.floor((k - reach) / 2) - 1)
  const highIndex = Math.min(k - 1, Math.ceil((k + reach) / 2))
  // Each selection leaves the next one less to look through: the median lies between the two limits.
  const low = selectInPlace(slopes, lowIndex, 0, k - 1)
  const high = selectInPlace(slopes, highIndex, lowIndex, k - 1)
  const slope = medianOfRange(slopes, k, lowIndex, highIndex)
  for (let i = 0; i < n; i++) left[i] = (ys[i] as number) - slope * (xs[i] as number)
  return { slope, intercept: medianInPlace(left, n), low, high, p: test.p, n }
}

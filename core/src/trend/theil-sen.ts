import { mannKendall } from './mann-kendall.ts'
import { median, middle } from './median.ts'

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

/**
 * Theil-Sen line: robust against a few wild points. Points must be in order of x.
 * @param x positions, not all equal; @param y values, same length
 * @throws RangeError on fewer than three points, more than `mostPoints`, unequal lengths, or all x equal
 * @source Theil 1950, Sen 1968 (mean of the middle two slopes when even)
 */
export function theilSen(x: readonly number[], y: readonly number[]): Line {
  const n = x.length
  if (n !== y.length) throw new RangeError('y must be as long as x')
  if (n < 3 || n > mostPoints) throw new RangeError(`x must have 3 to ${mostPoints} points`)
  const slopes = new Float64Array((n * (n - 1)) / 2)
  let k = 0
  for (let i = 0; i < n; i++)
    for (let j = i + 1; j < n; j++) {
      const dx = (x[j] ?? 0) - (x[i] ?? 0)
      if (dx !== 0) slopes[k++] = ((y[j] ?? 0) - (y[i] ?? 0)) / dx
    }
  if (k === 0) throw new RangeError('x must not be all equal')
  const sorted = slopes.subarray(0, k).sort()
  const slope = middle(sorted)
  const test = mannKendall(y)
  const reach = 1.959963985 * Math.sqrt(test.variance)
  // Rounded outward: a little wide is honest, a little narrow is not.
  const lowIndex = Math.max(0, Math.floor((k - reach) / 2) - 1)
  const highIndex = Math.min(k - 1, Math.ceil((k + reach) / 2))
  return {
    slope,
    intercept: median(y.map((v, i) => v - slope * (x[i] ?? 0))),
    low: sorted[lowIndex] ?? slope,
    high: sorted[highIndex] ?? slope,
    p: test.p,
    n,
  }
}

import { mean } from '../quantity/index.ts'
import { student95 } from './student.ts'

/** A line through points by least squares. */
export interface LeastSquares {
  readonly intercept: number
  readonly slope: number
  /** Standard deviation of the points from the line; null with two points. */
  readonly deviation: number | null
  /** Share of the spread that the line explains. */
  readonly explained: number
  /** The line at x, with half the 95 % range of a further point and of the line itself; null with two points. */
  readonly at: (x: number) => { readonly y: number; readonly point: number | null; readonly line: number | null }
}

/**
 * @throws RangeError when there are fewer than two points, not as many x as y, or all x are the same
 * @source b1 = Sxy/Sxx by centered sums; ŷ ± t s √(1 + 1/n + (x − x̄)²/Sxx)
 */
export function leastSquares(xs: readonly number[], ys: readonly number[]): LeastSquares {
  const n = xs.length
  if (n < 2) throw new RangeError('x must have two values or more')
  if (ys.length !== n) throw new RangeError(`y must have as many values as x: ${n}`)
  if (![...xs, ...ys].every(Number.isFinite)) throw new RangeError('x must be finite numbers')
  const mx = mean(xs)
  const my = mean(ys)
  const sum = (f: (x: number, y: number) => number) => xs.reduce((s, x, i) => s + f(x - mx, (ys[i] ?? 0) - my), 0)
  const sxx = sum((x) => x * x)
  const syy = sum((_, y) => y * y)
  if (!(sxx > 0)) throw new RangeError('x must not be all the same')
  const slope = sum((x, y) => x * y) / sxx
  const intercept = my - slope * mx
  const errors = sum((x, y) => (y - slope * x) ** 2)
  const deviation = n > 2 ? Math.sqrt(errors / (n - 2)) : null
  return {
    intercept,
    slope,
    deviation,
    explained: syy === 0 ? 1 : Math.max(0, 1 - errors / syy),
    at(x) {
      const spread = 1 / n + (x - mx) ** 2 / sxx
      const half = (of: number) => (deviation === null ? null : student95(n - 2) * deviation * Math.sqrt(of))
      return { y: intercept + slope * x, point: half(1 + spread), line: half(spread) }
    },
  }
}

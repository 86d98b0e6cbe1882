import { mean } from '../quantity/index.ts'
import { theilSen } from './theil-sen.ts'

/** A level that changed once, between two points. */
export interface StepChange {
  /** Instants of the last point before it and the first after it. */
  readonly between: readonly [number, number]
  readonly before: number
  readonly after: number
  /** After over before, less one. */
  readonly by: number
  /** Probability of so clear a step where there is none. */
  readonly p: number
}

const fewestOnASide = 3
const surely = 0.02

const squares = (values: readonly number[], about: number) => values.reduce((s, v) => s + (v - about) ** 2, 0)

/**
 * Probability of a Student's t at least so far from nothing, at both sides.
 * @param df degrees of freedom, a whole number from 1
 * @source Abramowitz and Stegun 26.7.3 and 26.7.4, exact
 */
function bothTails(t: number, df: number): number {
  const angle = Math.atan(t / Math.sqrt(df))
  const [sin, cos] = [Math.sin(angle), Math.cos(angle)]
  const odd = df % 2 === 1
  let term = odd ? cos : 1
  let sum = df === 1 ? 0 : term
  for (let k = odd ? 3 : 2; k <= df - 2; k += 2) {
    term *= ((k - 1) / k) * cos * cos
    sum += term
  }
  const within = odd ? (2 / Math.PI) * (angle + sin * sum) : sin * sum
  return Math.min(1, Math.max(0, 1 - within))
}

/**
 * The one step that best explains a run of values, if a step explains it better than a steady slope and chance does not.
 * @param points in order of time
 * @param least a step smaller than this share of the level is told as none
 * @returns null without such a step, or with fewer than three points on a side of it
 * @throws RangeError when a value is not finite
 * @source the split that leaves least, by Student's t with Bonferroni's bound over the splits; Hawkins 1977
 */
export function stepChange(
  points: readonly { readonly at: number; readonly value: number }[],
  least: number,
): StepChange | null {
  const n = points.length
  if (points.some((p) => !Number.isFinite(p.value))) throw new RangeError('points must be finite numbers')
  if (n < 2 * fewestOnASide + 1) return null
  const values = points.map((p) => p.value)
  const splits = Array.from({ length: n - 2 * fewestOnASide + 1 }, (_, i) => {
    const split = i + fewestOnASide
    const [a, b] = [values.slice(0, split), values.slice(split)]
    const [before, after] = [mean(a), mean(b)]
    return { split, before, after, left: squares(a, before) + squares(b, after) }
  })
  const best = splits.reduce((a, b) => (b.left < a.left ? b : a))
  const by = best.after / best.before - 1
  if (!Number.isFinite(by) || Math.abs(by) < least) return null
  const spread = Math.sqrt(best.left / (n - 2)) * Math.sqrt(1 / best.split + 1 / (n - best.split))
  const t = spread > 0 ? Math.abs(best.after - best.before) / spread : Infinity
  const p = t === Infinity ? 0 : Math.min(1, splits.length * bothTails(t, n - 2))
  const from = points[best.split - 1]
  const to = points[best.split]
  if (p > surely || !from || !to) return null
  const days = points.map((x) => (x.at - (points[0]?.at ?? 0)) / 86_400_000)
  if (new Set(days).size < 3) return null
  const line = theilSen(days, values)
  const offLine = values.reduce((s, v, i) => s + (v - line.intercept - line.slope * (days[i] ?? 0)) ** 2, 0)
  return best.left < 0.9 * offLine ? { between: [from.at, to.at], before: best.before, after: best.after, by, p } : null
}

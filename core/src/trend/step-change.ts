import { median } from './median.ts'
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

const fewestBefore = 4
const fewestAfter = 3

/**
 * The one step that best explains a run of values, if a step explains it better than a steady slope and chance does not.
 * @param points in order of time
 * @param least a step smaller than this share of the level is told as none
 * @returns null without such a step, or with fewer than four points before it and three after
 * @throws RangeError when a value is not finite
 * @source Pettitt 1979, change point by ranks: K = max |2 Σ rank − t (n + 1)|, p ≈ 2 exp(−6 K² / (n³ + n²))
 */
export function stepChange(
  points: readonly { readonly at: number; readonly value: number }[],
  least: number,
): StepChange | null {
  const n = points.length
  if (points.some((p) => !Number.isFinite(p.value))) throw new RangeError('points must be finite numbers')
  if (n < fewestBefore + fewestAfter) return null
  const values = points.map((p) => p.value)
  const sorted = [...values].sort((a, b) => a - b)
  const first = new Map<number, number>()
  const count = new Map<number, number>()
  sorted.forEach((v, i) => {
    if (!first.has(v)) first.set(v, i + 1)
    count.set(v, (count.get(v) ?? 0) + 1)
  })
  // Equal values share the mean of their ranks.
  const rank = (v: number) => (first.get(v) ?? 1) + ((count.get(v) ?? 1) - 1) / 2
  let sum = 0
  let best = { split: 0, k: -1 }
  for (let t = 1; t < n; t++) {
    sum += rank(values[t - 1] ?? 0)
    const k = Math.abs(2 * sum - t * (n + 1))
    if (t >= fewestBefore && n - t >= fewestAfter && k > best.k) best = { split: t, k }
  }
  const p = Math.min(1, 2 * Math.exp((-6 * best.k ** 2) / (n ** 3 + n ** 2)))
  const before = median(values.slice(0, best.split))
  const after = median(values.slice(best.split))
  const by = after / before - 1
  if (p > 0.1 || !Number.isFinite(by) || Math.abs(by) < least) return null
  const from = points[best.split - 1]
  const to = points[best.split]
  if (!from || !to) return null
  const days = points.map((x) => (x.at - (points[0]?.at ?? 0)) / 86_400_000)
  if (new Set(days).size < 3) return null
  const line = theilSen(days, values)
  const offLine = values.reduce((s, v, i) => s + Math.abs(v - line.intercept - line.slope * (days[i] ?? 0)), 0)
  const offStep = values.reduce((s, v, i) => s + Math.abs(v - (i < best.split ? before : after)), 0)
  return offStep < 0.7 * offLine ? { between: [from.at, to.at], before, after, by, p } : null
}

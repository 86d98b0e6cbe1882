import { median } from './median.ts'

/** A machine's own usual range of a quantity. */
export interface Usual {
  readonly low: number
  readonly middle: number
  readonly high: number
  readonly n: number
}

const fewest = 4
const recent = 12
const latest = 6

/**
 * Usual range from the latest values of a baseline: the median of the last six, plus and minus three spreads, at least
 * 3 %. The spread is that from one value to the next over the last twelve, so that a slow drift neither widens the
 * band nor leaves it behind.
 * @param values oldest first
 * @returns null with fewer than four values
 * @source history; the width is common practice
 */
export function usualRange(values: readonly number[]): Usual | null {
  const last = values.slice(-recent)
  if (last.length < fewest) return null
  const m = median(last.slice(-latest))
  // About nothing there is no range to fall out of.
  if (Math.abs(m) < 1e-9) return null
  const steps = last.slice(1).map((v, i) => Math.abs(v - (last[i] ?? v)))
  // For values scattered about a level the median step is 0.6745 √2 spreads.
  const spread = (1.4826 * median(steps)) / Math.SQRT2
  const half = Math.max(3 * spread, 0.03 * Math.abs(m))
  return { low: m - half, middle: m, high: m + half, n: last.length }
}

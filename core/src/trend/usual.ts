import { median, robustSpread } from './median.ts'

/** A machine's own usual range of a quantity. */
export interface Usual {
  readonly low: number
  readonly middle: number
  readonly high: number
  readonly n: number
}

const fewest = 4
const recent = 12

/**
 * Usual range from the latest values of an epoch: median plus and minus three robust spreads, at least 3 %.
 * @param values oldest first; only the last twelve count, so that slow change does not widen the band
 * @returns null with fewer than four values
 * @source history; the width is common practice
 */
export function usualRange(values: readonly number[]): Usual | null {
  const last = values.slice(-recent)
  if (last.length < fewest) return null
  const m = median(last)
  const half = Math.max(3 * robustSpread(last), 0.03 * Math.abs(m))
  return { low: m - half, middle: m, high: m + half, n: last.length }
}

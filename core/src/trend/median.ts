/**
 * Median; of an even count the mean of the two middle values.
 * @throws RangeError on an empty list or a value that is not finite
 */
export function median(values: readonly number[]): number {
  const sorted = Float64Array.from(values).sort()
  if (sorted.length === 0 || !Number.isFinite(sorted[0]) || !Number.isFinite(sorted[sorted.length - 1]))
    throw new RangeError('values must be a list of finite numbers')
  return middle(sorted)
}

/** Median of a sorted array that is not empty. */
export function middle(sorted: Float64Array): number {
  const n = sorted.length
  const upper = sorted[n >> 1] ?? 0
  return n % 2 === 1 ? upper : ((sorted[(n >> 1) - 1] ?? 0) + upper) / 2
}

/**
 * Robust spread: 1.4826 times the median absolute deviation, comparable with a standard deviation.
 * @throws RangeError as `median`
 */
export function robustSpread(values: readonly number[]): number {
  const m = median(values)
  return 1.4826 * median(values.map((v) => Math.abs(v - m)))
}

import { median as middleOf, medianAbsoluteDeviation } from 'simple-statistics'

/**
 * Median; of an even count the mean of the two middle values.
 * @throws RangeError on an empty list or a value that is not finite
 */
export function median(values: readonly number[]): number {
  if (values.length === 0 || !values.every(Number.isFinite))
    throw new RangeError('values must be a list of finite numbers')
  return middleOf([...values])
}

/**
 * Robust spread: 1.4826 times the median absolute deviation, comparable with a standard deviation.
 * @throws RangeError as `median`
 */
export function robustSpread(values: readonly number[]): number {
  median(values)
  return 1.4826 * medianAbsoluteDeviation([...values])
}

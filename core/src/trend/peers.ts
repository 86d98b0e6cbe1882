import { median, robustSpread } from './median.ts'

/** A machine among others of its kind. */
export interface Among {
  readonly n: number
  readonly middle: number
  readonly spread: number
  /** How many spreads it lies from the middle; the median and the median deviation, so that one odd one moves neither. */
  readonly off: number
}

const fewest = 4
/** A spread narrower than this share is the meters', not the machines'. */
const narrow = 0.03

/**
 * Where a machine's load lies among those of its kind.
 * @param own and `others`: loads as shares of what each may draw
 * @returns null with fewer than four others
 * @source median and median absolute deviation
 */
export function amongPeers(own: number, others: readonly number[]): Among | null {
  if (others.length < fewest) return null
  const middle = median(others)
  const spread = Math.max(robustSpread(others), narrow * Math.abs(middle))
  return { n: others.length, middle, spread, off: (own - middle) / spread }
}

/** A seeded generator of numbers in [0, 1): the same seed gives the same run on every machine. */
export interface Random {
  next(): number
  /** Uniform between two bounds. */
  between(low: number, high: number): number
  /** Normal with mean 0 and spread 1, by Box and Muller. */
  normal(): number
  pick<T>(list: readonly T[]): T
}

/**
 * @param seed whole number
 * @throws RangeError from `pick` on an empty list
 * @source mulberry32, a public-domain generator of 32-bit state
 */
export function seeded(seed: number): Random {
  let state = seed >>> 0
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
  return {
    next,
    between: (low, high) => low + (high - low) * next(),
    normal: () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()),
    pick: (list) => {
      const item = list[Math.floor(next() * list.length)]
      if (item === undefined) throw new RangeError('list must not be empty')
      return item
    },
  }
}

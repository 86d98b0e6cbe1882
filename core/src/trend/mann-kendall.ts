import { errorFunction } from 'simple-statistics'

/** Result of the Mann-Kendall test: is there a monotone trend at all? */
export interface MannKendall {
  readonly s: number
  readonly variance: number
  readonly z: number
  /** Two-sided probability of so large an |S| without a trend. */
  readonly p: number
}

/**
 * Exact one-sided P(S >= s) for n values without ties, from the counts of permutations by inversions.
 * @throws RangeError when n is not a whole number from 2 to 20
 * @source Mahonian numbers
 */
export function exactUpperTail(n: number, s: number): number {
  if (!Number.isInteger(n) || n < 2 || n > 20) throw new RangeError('n must be a whole number from 2 to 20')
  let counts = [1]
  for (let k = 2; k <= n; k++) {
    const next = new Array<number>(counts.length + k - 1).fill(0)
    counts.forEach((c, i) => {
      for (let j = 0; j < k; j++) next[i + j] = (next[i + j] ?? 0) + c
    })
    counts = next
  }
  const pairs = (n * (n - 1)) / 2
  const total = counts.reduce((a, b) => a + b, 0)
  // S = pairs - 2 * inversions
  let tail = 0
  counts.forEach((c, inversions) => {
    if (pairs - 2 * inversions >= s) tail += c
  })
  return tail / total
}

/**
 * The test of a sum of signs that is known already.
 * @param n how many values @param s sum of the signs of all pairs @param tied the values where some are equal; null: none are
 * @source Mann 1945, Kendall 1975; variance with the tie correction
 */
export function mannKendallOf(n: number, s: number, tied: readonly number[] | null): MannKendall {
  let ties = 0
  if (tied) {
    const groups = new Map<number, number>()
    for (const v of tied) groups.set(v, (groups.get(v) ?? 0) + 1)
    for (const t of groups.values()) ties += t * (t - 1) * (2 * t + 5)
  }
  const variance = (n * (n - 1) * (2 * n + 5) - ties) / 18
  const z = variance === 0 || s === 0 ? 0 : (s - Math.sign(s)) / Math.sqrt(variance)
  const p =
    n < 10 && ties === 0 ? Math.min(1, 2 * exactUpperTail(n, Math.abs(s))) : 1 - errorFunction(Math.abs(z) / Math.SQRT2)
  return { s, variance, z, p: s === 0 ? 1 : p }
}

/**
 * Mann-Kendall test of values in order of time. Below ten values without ties the exact distribution is used.
 * @throws RangeError when there are fewer than three values or one is not finite
 */
export function mannKendall(values: readonly number[]): MannKendall {
  const n = values.length
  if (n < 3) throw new RangeError('values must have at least three entries')
  if (values.some((v) => !Number.isFinite(v))) throw new RangeError('values must be finite numbers')
  let s = 0
  for (let i = 0; i < n; i++) for (let j = i + 1; j < n; j++) s += Math.sign((values[j] ?? 0) - (values[i] ?? 0))
  return mannKendallOf(n, s, values)
}

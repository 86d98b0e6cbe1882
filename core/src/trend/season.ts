import { factorSpd } from './solve.ts'

/** A yearly swing of a quantity: winter air is denser, so that a fan of outside air draws more. */
export interface Season {
  /** Half of the swing, as a share of the level. */
  readonly half: number
  /** Day of the year (0 to 365) on which it is highest. */
  readonly highest: number
  /** Probability of so clear a swing where there is none. */
  readonly p: number
  /** A value with the swing taken out. */
  readonly without: (at: number, value: number) => number
}

const year = 365.25 * 86_400_000
const fewest = 10
const shortest = 1.4 * year
/** A swing that is smaller is not worth taking out, one that is larger is no weather. */
const least = 0.008
const most = 0.12

const terms = 4

/** Least squares of the first `n` of four terms, from the sums over all points; null where the points do not tell them. */
function fitted(points: Float64Array, count: number, n: number) {
  const ata = new Array<number>(n * n).fill(0)
  const aty = new Array<number>(n).fill(0)
  const at = (k: number, i: number) => points[k * (terms + 1) + i] ?? 0
  for (let k = 0; k < count; k++)
    for (let i = 0; i < n; i++) {
      const own = at(k, i)
      for (let j = 0; j < n; j++) ata[i * n + j] = (ata[i * n + j] ?? 0) + own * at(k, j)
      aty[i] = (aty[i] ?? 0) + own * at(k, terms)
    }
  const c = factorSpd(ata, n)?.(aty)
  if (!c) return null
  let left = 0
  for (let k = 0; k < count; k++) {
    let off = at(k, terms)
    for (let i = 0; i < n; i++) off -= at(k, i) * (c[i] ?? 0)
    left += off * off
  }
  return { c, left }
}

/**
 * The yearly swing of a run of values, if there is one beyond chance.
 * @param points in order of time; at is ms since 1970
 * @returns null in less than about a year and a half or ten points, or when chance, or no weather, explains it
 * @throws RangeError when a value is not finite
 * @source least squares of a line and one yearly harmonic; for two terms the tail of F is ((left with)/(left without))^((n−4)/2)
 */
export function seasonOf(points: readonly { readonly at: number; readonly value: number }[]): Season | null {
  const n = points.length
  if (points.some((p) => !Number.isFinite(p.value))) throw new RangeError('points must be finite numbers')
  const first = points[0]
  const last = points[n - 1]
  if (!first || !last || n < fewest || last.at - first.at < shortest) return null
  const middle = points.reduce((sum, p) => sum + p.at / year, 0) / n
  // Side by side: level, line, the two halves of the wave, and the value.
  const rows = new Float64Array(n * (terms + 1))
  points.forEach(({ at, value }, k) => {
    const t = at / year
    rows.set([1, t - middle, Math.cos(2 * Math.PI * t), Math.sin(2 * Math.PI * t), value], k * (terms + 1))
  })
  const plain = fitted(rows, n, 2)
  const waved = fitted(rows, n, terms)
  if (!plain || !waved || !(plain.left > 0)) return null
  // With two degrees of freedom above, the tail of F has a closed form.
  const p = (Math.max(0, waved.left) / plain.left) ** ((n - 4) / 2)
  const [level = 0, , a = 0, b = 0] = waved.c
  const half = Math.hypot(a, b) / Math.abs(level)
  if (!Number.isFinite(half) || p > 0.01 || half < least || half > most) return null
  const phase = Math.atan2(b, a) / (2 * Math.PI)
  // 1970 began on the first of January, so that a year's fraction is its day.
  const highest = ((phase + 1) % 1) * 365.25
  return {
    half,
    highest,
    p,
    without: (at, value) => value - a * Math.cos((2 * Math.PI * at) / year) - b * Math.sin((2 * Math.PI * at) / year),
  }
}

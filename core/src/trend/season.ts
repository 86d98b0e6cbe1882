import { solveSpd } from './solve.ts'

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

/** Least squares of a line, and of a line with a yearly wave on it; what is left over of each. */
function fits(x: readonly number[], y: readonly number[], basis: readonly ((t: number) => number)[]) {
  const rows = x.map((t) => basis.map((f) => f(t)))
  const ata = basis.flatMap((_, i) => basis.map((__, j) => rows.reduce((s, r) => s + (r[i] ?? 0) * (r[j] ?? 0), 0)))
  const aty = basis.map((_, i) => rows.reduce((s, r, k) => s + (r[i] ?? 0) * (y[k] ?? 0), 0))
  const [c] = solveSpd(ata, basis.length, [aty]) ?? []
  if (!c) return null
  const left = rows.reduce((s, r, k) => s + ((y[k] ?? 0) - r.reduce((a, v, i) => a + v * (c[i] ?? 0), 0)) ** 2, 0)
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
  const x = points.map((p) => p.at / year)
  const middle = x.reduce((a, b) => a + b, 0) / n
  const y = points.map((p) => p.value)
  const line = [() => 1, (t: number) => t - middle]
  const wave = [(t: number) => Math.cos(2 * Math.PI * t), (t: number) => Math.sin(2 * Math.PI * t)]
  const plain = fits(x, y, line)
  const waved = fits(x, y, [...line, ...wave])
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

import { factorSpd } from './solve.ts'
import { hertzMissed, scatter } from './watch.ts'

/** One reading brought to other hertz than it was read at. */
interface Brought {
  /** ms since 1970 */
  readonly at: number
  readonly value: number
  /** Logarithm of the hertz it was read at over those it was brought to. */
  readonly hertz: number
}

const yearMs = 365.25 * 86_400_000

/**
 * How far the model of a motor on a drive misses across hertz, by the machine's own readings: what their logarithms still gain with
 * the logarithm of the hertz, level and slope in time beside it.
 * @param points above zero
 * @returns the slope and its standard error; with few readings that of the belief about the model
 * @source regression with a prior on the term of the hertz
 */
export function hertzEffect(points: readonly Brought[]): { readonly slope: number; readonly error: number } {
  const [first] = points
  if (!first) return { slope: 0, error: hertzMissed }
  const rows = points.map((p) => ({
    x: [1, (p.at - first.at) / yearMs, p.hertz],
    y: Math.log(p.value / first.value),
  }))
  const terms = 3
  const a = Array.from({ length: terms * terms }, (_, k) =>
    rows.reduce((sum, { x }) => sum + (x[Math.floor(k / terms)] ?? 0) * (x[k % terms] ?? 0), 0),
  )
  const noise = scatter ** 2
  // A belief so weak that it moves nothing keeps the sums solvable where all was read in one day.
  a[4] = (a[4] ?? 0) + 1e-6
  a[8] = (a[8] ?? 0) + noise / hertzMissed ** 2
  const b = Array.from({ length: terms }, (_, i) => rows.reduce((sum, { x, y }) => sum + (x[i] ?? 0) * y, 0))
  const solve = factorSpd(a, terms)
  if (!solve) return { slope: 0, error: hertzMissed }
  const fit = solve(b)
  const left = rows.reduce((sum, { x, y }) => sum + (y - x.reduce((s, v, i) => s + v * (fit[i] ?? 0), 0)) ** 2, 0)
  const variance = (8 * noise + left) / (8 + points.length)
  return { slope: fit[2] ?? 0, error: Math.sqrt(variance * (solve([0, 0, 1])[2] ?? 0)) }
}

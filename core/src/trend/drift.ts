import { mostPoints, theilSen } from './theil-sen.ts'

export const dayMs = 86_400_000
const yearDays = 365.25
const fewest = 6
const shortestDays = 60

/** A fitted slope and when it meets a limit; instants in ms since 1970, slopes per year. */
export type Drift =
  | { readonly kind: 'too few'; readonly n: number; readonly needed: number }
  | { readonly kind: 'none'; readonly fit: Fit }
  | { readonly kind: 'rising' | 'falling'; readonly fit: Fit; readonly meets: Meets | null }

export interface Fit {
  readonly perYear: number
  readonly low: number
  readonly high: number
  readonly n: number
  /** Installed value at the first and at the last point, for drawing. */
  readonly from: { readonly at: number; readonly value: number }
  readonly to: { readonly at: number; readonly value: number }
}

/** When the fit meets the limit; `latest` null when the slower edge of the interval may never. */
export interface Meets {
  readonly at: number
  readonly earliest: number
  readonly latest: number | null
}

/** Keep at most `most` points, evenly over the list, first and last included. */
export function thin<T>(points: readonly T[], most: number): T[] {
  if (points.length <= most) return [...points]
  const step = (points.length - 1) / (most - 1)
  return Array.from({ length: most }, (_, i) => points[Math.round(i * step)]).filter((p) => p !== undefined)
}

/**
 * Robust slope of a baseline's points and the day it meets a limit.
 * @param points in order of time
 * @param limit value that matters when reached from below, or null
 * @param matters a slope below this many units a year is told as no trend, however sure it is
 * @throws RangeError when a value is not finite
 * @source Theil-Sen with Sen's 95 % limits, Mann-Kendall for "is there one at all"
 */
export function drift(
  points: readonly { readonly at: number; readonly value: number }[],
  limit: number | null,
  matters: number,
): Drift {
  const used = thin(points, mostPoints / 2)
  const first = used[0]
  const last = used[used.length - 1]
  if (!first || !last || used.length < fewest || last.at - first.at < shortestDays * dayMs)
    return { kind: 'too few', n: points.length, needed: fewest }
  const x = used.map((p) => (p.at - first.at) / dayMs)
  const line = theilSen(
    x,
    used.map((p) => p.value),
  )
  const end = x[x.length - 1] ?? 0
  const fit: Fit = {
    perYear: line.slope * yearDays,
    low: line.low * yearDays,
    high: line.high * yearDays,
    n: points.length,
    from: { at: first.at, value: line.intercept },
    to: { at: last.at, value: line.intercept + line.slope * end },
  }
  const sure = line.p < 0.05 && line.low * line.high > 0
  if (!sure || Math.abs(fit.perYear) < matters) return { kind: 'none', fit }
  if (fit.perYear < 0) return { kind: 'falling', fit, meets: null }
  if (limit === null || fit.to.value >= limit) return { kind: 'rising', fit, meets: null }
  const gap = limit - fit.to.value
  const after = (perDay: number) => last.at + (gap / perDay) * dayMs
  return {
    kind: 'rising',
    fit,
    meets: { at: after(line.slope), earliest: after(line.high), latest: line.low > 0 ? after(line.low) : null },
  }
}

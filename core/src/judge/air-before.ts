import { breaksTrend, loadPoint, type Visit } from '../trend/index.ts'
import type { Context } from './context.ts'

/** What the fan makes, in wg: supply and return side together; null unless both were read. */
export function across(visit: Pick<Visit, 'readings'>): number | null {
  const own = visit.readings.filter((r) => r.quantity === 'static_pressure')
  return own.length === 2 ? own.reduce((sum, r) => sum + r.value, 0) : null
}

type Known = Pick<Context, 'visit' | 'earlier' | 'work'>

/** Earlier visits on the same sheaves and hertz, newest first: only those may be compared with this one. */
export function sameSpeedBefore({ visit, earlier, work }: Known): Visit[] {
  const speeds = work.filter((w) => w.kind !== 'filters-changed' && breaksTrend(w.kind, 'rpm'))
  return earlier.filter((s) => !speeds.some((w) => w.at > s.at && w.at <= visit.at))
}

/** The latest of them with pressure and amps. */
export const airBefore = (c: Known): Visit | null =>
  sameSpeedBefore(c).find((s) => across(s) !== null && loadPoint(s, null) !== null) ?? null

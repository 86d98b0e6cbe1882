import { limitInForce, type HouseRules } from '../limits/index.ts'
import { dayMs } from '../trend/index.ts'
import type { Level } from './verdict.ts'

/**
 * When a machine wants a person again: at once when stopped, sooner the worse it is judged, else after the
 * house's interval.
 * @param seenAt instant of the last stop, ms since 1970
 * @returns instant in ms since 1970
 * @source house rules
 */
export function dueAt(level: Level, seenAt: number, rules: HouseRules): number {
  if (level === 'stop') return seenAt
  const id = level === 'fix' ? 'return-fix' : level === 'watch' ? 'return-watch' : 'visit-interval'
  return seenAt + limitInForce(id, rules).value * dayMs
}

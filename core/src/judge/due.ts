import { limitInForce, type Policies } from '../limits/index.ts'
import { dayMs } from '../trend/index.ts'
import type { Judgement } from './judgement.ts'
import { worse, type Level, type Overall } from './verdict.ts'

/**
 * When a machine is due again: at once when it is stopped or nothing of it could be judged, sooner the worse it is judged, else
 * after the organization's interval.
 * @param seenAt instant of the last visit, ms since 1970
 * @returns instant in ms since 1970
 * @source policies
 */
export function dueAt(level: Overall, seenAt: number, policies: Policies): number {
  if (level === 'stop' || level === 'not judged') return seenAt
  const id = level === 'fix' ? 'return-fix' : level === 'watch' ? 'return-watch' : 'visit-interval'
  return seenAt + limitInForce(id, policies).value * dayMs
}

/** The level of what visits found, without what persons reported and what work asks for. */
export const levelRead = (j: Pick<Judgement, 'level' | 'conditions'>): Overall =>
  j.level === 'not judged'
    ? j.level
    : j.conditions
        .filter((k) => !k.retest && k.verdict.check !== 'finding')
        .reduce<Level>((a, k) => worse(a, k.level), 'ok')

/**
 * When a machine is due: by what its visits found, at once for a test that work asked for, and for a finding on the day somebody
 * named, else by its level.
 * @param seenAt instant of the newest visit, ms since 1970
 * @returns instant in ms since 1970
 */
export function machineDueAt(j: Judgement, seenAt: number, policies: Policies): number {
  const findings = j.conditions.filter((k) => k.verdict.check === 'finding')
  return Math.min(
    dueAt(levelRead(j), seenAt, policies),
    ...j.retests.map((r) => r.since),
    ...findings.map((k) => k.until ?? dueAt(k.level, k.since, policies)),
  )
}

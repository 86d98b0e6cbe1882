import { permitCheck, permitRead, type Condition } from '../judge/index.ts'
import type { Policies } from '../limits/index.ts'
import { dayEnds } from '../quantity/index.ts'
import { inOrder, type JobFact, type ReadAt } from './facts.ts'

/** Leave to run a machine for some days with something wrong with it. */
export interface Permit {
  readonly wrong: string
  readonly limits: string
  readonly accepts: string
  /** ISO dates at the site. */
  readonly until: string
  readonly readOn: string
  /** How often leave was given: once, and extended once at most. */
  readonly times: number
  readonly expired: boolean
  /** It has to be read today, or should have been. */
  readonly readDue: boolean
}

/** Days that leave is given for at most. @source common practice */
export const permitDays = 7
/** And with amps over the nameplate. @source common practice */
const overPlateDays = 3
/** Once, and one extension. @source common practice */
export const permitTimes = 2

/** What is never run on a permit, whoever accepts it. @source common practice */
export const neverPermitted: readonly string[] = [
  'live frame or current in the ground wire',
  'voltage unbalance over 5 %',
  'vibration at the shutdown limit',
  'cracked blade, hub or wheel',
  'guard off',
  'protector that cycles, no overload',
  'combustion out of limits',
  'bridged cut-out',
]

/**
 * The leave that is in force, or was: gone with the end of its job.
 * @param today ISO date at the site @param zone of the site @param visits of the machine
 */
export function permitOf(
  facts: readonly JobFact[],
  visits: readonly Pick<ReadAt, 'at' | 'readings'>[],
  today: string,
  zone: string,
): Permit | null {
  const ordered = inOrder(facts)
  if (ordered.some((f) => f.kind === 'closed')) return null
  const given = ordered.filter((f) => f.kind === 'permit')
  const last = given.at(-1)
  if (!last) return null
  const read = permitRead({ at: last.at, readBy: dayEnds(last.readOn, zone) }, visits)
  const { wrong, limits, accepts, until, readOn } = last
  return {
    wrong,
    limits,
    accepts,
    until,
    readOn,
    times: given.length,
    expired: today > until,
    readDue: today >= readOn && !read,
  }
}

/** On what a permit is given. */
export interface PermitTerms {
  /** Why none is given; null where one may be. */
  readonly bar: string | null
  /** For how many days at most, and whether that is for the amps over the nameplate. */
  readonly days: number
  readonly overPlate: boolean
}

/**
 * On what a permit is given as the machine stands: what is at level Stop is not run, whoever accepts it, and over the nameplate it runs
 * inside the service factor alone and for three days. A permit that ran out may be extended.
 * @param serviceFactor of the nameplate, 1 where it has none @param at when it is given, ms since 1970
 * @param policies what calls amps too many, which may be less than the nameplate
 * @source common practice
 */
export function permitTerms(
  conditions: readonly Condition[],
  serviceFactor: number,
  at: number,
  policies: Pick<Policies, 'overAmp' | 'trim'>,
): PermitTerms {
  const known = conditions.filter((k) => k.since <= at && k.verdict.check !== permitCheck)
  const stop = known.find((k) => k.level === 'stop')
  const trimmed = policies.overAmp === 'trim below plate' ? 1 - policies.trim : 1
  const over = known
    .filter((k) => k.verdict.check === 'over-amp')
    .map(({ verdict: { value, limit, because } }) => ({
      share: ((value ?? 0) / (limit ?? Infinity)) * trimmed,
      because,
    }))
    .find((o) => o.share > 1)
  const beyond = over !== undefined && over.share > Math.max(1, serviceFactor)
  return {
    bar: stop?.verdict.because ?? (beyond ? `${over.because} That is over the service factor.` : null),
    days: over ? overPlateDays : permitDays,
    overPlate: over !== undefined,
  }
}

/** Nobody accepts their own permit but a lead. @param name who gives it @param lead whether that is a lead */
export const ownPermit = (accepts: string, name: string, lead: boolean): boolean =>
  !lead && name.trim() !== '' && accepts.trim().toLowerCase() === name.trim().toLowerCase()

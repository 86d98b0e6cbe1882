import { requirePositive } from '../quantity/index.ts'

export type ProtectionKind = 'time-delay fuse' | 'non-time-delay fuse' | 'breaker'

const standardRatings = [
  15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300, 350, 400, 450, 500, 600,
  700, 800, 1000, 1200, 1600, 2000, 2500, 3000, 4000, 5000, 6000,
] as const
const fuseOnly = [1, 3, 6, 10] as const

/**
 * The next standard rating at or above a current; fuses have smaller ones too.
 * @returns amperes, or null above the largest
 * @throws RangeError when amps is not above zero
 * @source NEC 240.6(A)
 */
export function nextStandardRating(amps: number, fuse: boolean): number | null {
  requirePositive('amps', amps)
  return [...(fuse ? fuseOnly : []), ...standardRatings].find((r) => r >= amps - 1e-9) ?? null
}

const share: Record<ProtectionKind, number> = {
  'time-delay fuse': 1.75,
  'non-time-delay fuse': 3,
  breaker: 2.5,
}

export interface BranchProtection {
  /** Of the table current, amperes. */
  readonly computed: number
  /** The next standard size, amperes. */
  readonly rating: number | null
  /** Never above this, even when the motor will not start, amperes. */
  readonly greatest: number
}

/**
 * Largest short-circuit and ground-fault protection of one motor's branch. Listed air-conditioning units go by the
 * figure on their own plate instead.
 * @param tableAmps full-load current of the code's table, not of the plate, amperes
 * @throws RangeError when tableAmps is not above zero
 * @source NEC 430.52
 */
export function branchProtection(kind: ProtectionKind, tableAmps: number): BranchProtection {
  requirePositive('tableAmps', tableAmps)
  const computed = tableAmps * share[kind]
  const most = kind === 'time-delay fuse' ? 2.25 : kind === 'breaker' && tableAmps > 100 ? 3 : 4
  return { computed, rating: nextStandardRating(computed, kind !== 'breaker'), greatest: tableAmps * most }
}

/**
 * Least ampacity of the conductors of one continuous motor.
 * @source NEC 430.22
 */
export function conductorAmpacity(tableAmps: number): number {
  requirePositive('tableAmps', tableAmps)
  return tableAmps * 1.25
}

import { requireMagnitude } from '../quantity/index.ts'

/** Six readings that prove dead: every pair and every leg to ground. Undefined: not taken. */
export interface DeadReadings {
  /** L1-L2, L2-L3, L3-L1, volts. */
  readonly pairs: readonly (number | undefined)[]
  /** L1, L2, L3 to ground, volts. */
  readonly legs: readonly (number | undefined)[]
}

/** What is alive and the pattern it makes. Legs are indexes, 0 for L1. */
export type LivePattern =
  | { readonly kind: 'dead' }
  | { readonly kind: 'all alive' }
  /** That leg is alive; the others read dead or follow it through the winding. */
  | { readonly kind: 'one leg'; readonly legs: readonly number[]; readonly throughWinding: boolean }
  | { readonly kind: 'two legs'; readonly legs: readonly number[] }
  /** Some volts, far below the supply: induced, a control feed, or a backfeed. */
  | { readonly kind: 'stray'; readonly legs: readonly number[] }

/**
 * Tell which legs are alive from six readings.
 * @param limit volts above which a reading is not dead
 * @param phaseVolts line-to-ground volts the supply would show, volts
 * @throws RangeError when a reading is negative or not finite
 * @source circuit theory: a live leg reaches the dead ones through the winding, and the pairs then read nothing
 */
export function livePattern(readings: DeadReadings, limit: number, phaseVolts: number): LivePattern {
  for (const v of [...readings.pairs, ...readings.legs]) if (v !== undefined) requireMagnitude('readings', v)
  const legs = [0, 1, 2].filter((i) => (readings.legs[i] ?? 0) > limit)
  const pairs = [0, 1, 2].filter((i) => (readings.pairs[i] ?? 0) > limit)
  if (legs.length === 0 && pairs.length === 0) return { kind: 'dead' }
  const top = Math.max(...readings.legs.map((v) => v ?? 0), ...readings.pairs.map((v) => (v ?? 0) / Math.sqrt(3)))
  if (top < 0.4 * phaseVolts) return { kind: 'stray', legs }
  if (legs.length === 3)
    return pairs.length === 0 ? { kind: 'one leg', legs, throughWinding: true } : { kind: 'all alive' }
  if (legs.length === 1) return { kind: 'one leg', legs, throughWinding: false }
  if (legs.length === 2) return { kind: 'two legs', legs }
  // Volts between legs and none to ground: a supply whose neutral is not grounded.
  const touched = [0, 1, 2].filter((leg) => pairs.includes(leg) && pairs.includes((leg + 2) % 3))
  return pairs.length === 3 ? { kind: 'all alive' } : { kind: 'one leg', legs: touched, throughWinding: false }
}

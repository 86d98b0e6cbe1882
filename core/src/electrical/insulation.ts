import type { InsulationPolicy, InsulationSystem } from '../limits/index.ts'
import { requirePositive } from '../quantity/index.ts'

/**
 * Direct test voltage for a winding.
 * @param ratedVolts rated line-to-line voltage, volts
 * @returns lowest and highest direct test voltage, volts
 * @throws RangeError when ratedVolts is not above zero
 * @source IEEE 43, guide table of test voltages
 */
export function insulationTestVolts(ratedVolts: number): readonly [number, number] {
  requirePositive('ratedVolts', ratedVolts)
  if (ratedVolts < 1000) return [500, 500]
  if (ratedVolts <= 2500) return [500, 1000]
  if (ratedVolts <= 5000) return [1000, 2500]
  if (ratedVolts <= 12000) return [2500, 5000]
  return [5000, 10000]
}

/**
 * The least one-minute insulation resistance at 40 °C by a policy.
 * @param ratedVolts rated line-to-line voltage, volts
 * @returns megohms
 * @throws RangeError when ratedVolts is not above zero
 * @source IEEE 43 for the first three; the 30 MΩ lamp of portable testers is common practice
 */
export function insulationFloor(policyChoice: InsulationPolicy, ratedVolts: number): number {
  requirePositive('ratedVolts', ratedVolts)
  switch (policyChoice) {
    case 'random-wound 5':
      return 5
    case 'kV plus 1':
      return ratedVolts / 1000 + 1
    case 'form-wound 100':
      return 100
    case 'lamp 30':
      return 30
  }
}

/**
 * Factor that takes an insulation resistance to 40 °C.
 * @param celsius temperature of the winding, not of the air
 * @returns factor, or null outside 10 to 85 °C where no correction holds
 * @source IEEE 43: thermosetting 4230 above and 1245 below 40 °C (from memory), thermoplastic halving every 10 K
 */
export function insulationFactor(celsius: number, system: InsulationSystem): number | null {
  if (!Number.isFinite(celsius)) throw new RangeError('celsius must be a finite number')
  if (celsius < 10 || celsius > 85) return null
  if (system === 'thermoplastic') return 0.5 ** ((40 - celsius) / 10)
  return Math.exp(-(celsius > 40 ? 4230 : 1245) * (1 / (celsius + 273) - 1 / 313))
}

/** What two points of one insulation curve say, or why they say nothing. */
export type Absorption =
  | { readonly kind: 'ratio'; readonly ratio: number }
  | { readonly kind: 'meaningless'; readonly why: 'over range' | 'above 5000 megohms' | 'zero' }

/** A point of an insulation curve, megohms; `over` when the tester showed its top and no figure. */
export interface InsulationPoint {
  readonly megohms: number
  readonly over: boolean
}

/**
 * Ratio of a later to an earlier reading of one test: 60 s over 30 s (DAR) or 10 min over 1 min (PI). Both are taken
 * at one temperature, so neither is corrected.
 * @param oneMinuteAt40 one-minute reading at 40 °C, megohms; above 5000 the ratio tells nothing
 * @source IEEE 43
 */
export function absorption(early: InsulationPoint, late: InsulationPoint, oneMinuteAt40: number): Absorption {
  if (early.over || late.over) return { kind: 'meaningless', why: 'over range' }
  if (oneMinuteAt40 > 5000) return { kind: 'meaningless', why: 'above 5000 megohms' }
  if (early.megohms <= 0) return { kind: 'meaningless', why: 'zero' }
  return { kind: 'ratio', ratio: late.megohms / early.megohms }
}

/**
 * Least polarisation index by thermal class.
 * @source IEEE 43: 1.5 for class A (105), 2.0 for B, F and H
 */
export const leastPolarisation = (thermalClass: string | undefined): number =>
  thermalClass?.toUpperCase() === 'A' ? 1.5 : 2

/**
 * How long a winding is to be discharged after a test, in seconds: four times the time of the test voltage.
 * @source IEEE 43
 */
export function dischargeSeconds(testSeconds: number): number {
  requirePositive('testSeconds', testSeconds)
  return 4 * testSeconds
}

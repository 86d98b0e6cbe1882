import { mean, requireMagnitude, type ThreePhase } from '../quantity/index.ts'

function largestDeviation(name: string, values: ThreePhase): number {
  for (const v of values) requireMagnitude(name, v)
  const top = Math.max(...values)
  if (top === 0) throw new RangeError(`${name} must not all be zero`)
  // Scaled first, so that no figure, however small, is lost to rounding.
  const shares = values.map((v) => v / top)
  const average = mean(shares)
  return Math.max(...shares.map((v) => Math.abs(v - average))) / average
}

/**
 * Voltage unbalance of a three-phase supply: the largest deviation of a line voltage from the
 * average of the three, over that average.
 * @param lineVolts line-to-line voltages L1-L2, L2-L3, L3-L1, in volts
 * @returns fraction: 0.02 is 2 %
 * @throws RangeError when a voltage is negative or not finite, or all three are zero
 * @source NEMA MG 1, 14.36
 */
export const voltageUnbalance = (lineVolts: ThreePhase): number => largestDeviation('lineVolts', lineVolts)

/**
 * Current unbalance, by the same definition as for voltage.
 * @param lineAmps currents of L1, L2, L3, in amperes
 * @returns fraction: 0.1 is 10 %
 * @throws RangeError when a current is negative or not finite, or all three are zero
 * @source common practice: the definition of NEMA MG 1, 14.36 applied to currents
 */
export const currentUnbalance = (lineAmps: ThreePhase): number => largestDeviation('lineAmps', lineAmps)

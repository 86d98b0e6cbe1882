import { mean, requireMagnitude, type ThreePhase } from '../quantity/index.ts'

function largestDeviation(name: string, values: ThreePhase): number {
  for (const v of values) requireMagnitude(name, v)
  const top = Math.max(...values)
  if (top === 0) throw new RangeError(`${name} must not all be zero`)
  // Scaled first, so that no figure, however small, is lost to rounding; by a power of two, which rounds nothing by itself.
  const shares = values.map((v) => v / 2 ** Math.floor(Math.log2(top)))
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

/**
 * The least unbalance of three values of which two are known: the third can bring it no lower than where it is their mean.
 * @returns fraction, by the same definition
 * @throws RangeError when a value is negative or not finite, or both are zero
 */
export function leastUnbalance(a: number, b: number): number {
  requireMagnitude('values', a)
  requireMagnitude('values', b)
  if (a === 0 && b === 0) throw new RangeError('values must not both be zero')
  return Math.abs(a - b) / (a + b)
}

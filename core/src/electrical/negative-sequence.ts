import { requireMagnitude, type ThreePhase } from '../quantity/index.ts'

/** What is said of three voltages that close no triangle. */
export const notOneSupply = 'cannot be the three voltages of one supply: read all three pairs again'

/**
 * True voltage unbalance: negative over positive sequence, from the three line-voltage magnitudes alone.
 * @param lineVolts line-to-line voltages, in volts
 * @returns fraction, 0 when balanced; null when the three cannot close a triangle: then one was misread
 * @throws RangeError when a voltage is negative or not finite, or all three are zero
 * @source IEC 61000-4-30, the magnitude formula
 */
export function negativeSequenceRatio(lineVolts: ThreePhase): number | null {
  for (const v of lineVolts) requireMagnitude('lineVolts', v)
  const top = Math.max(...lineVolts)
  if (top === 0) throw new RangeError('lineVolts must not all be zero')
  const squares = lineVolts.map((v) => (v / top) ** 2)
  const sum = squares.reduce((a, b) => a + b, 0)
  const beta = squares.reduce((a, b) => a + b * b, 0) / (sum * sum)
  const inner = 3 - 6 * beta
  if (inner < -1e-12) return null
  // Balanced volts leave rounding on either side of 1: both roots are held to their range.
  const root = Math.sqrt(Math.min(1, Math.max(0, inner)))
  return Math.sqrt((1 - root) / (1 + root))
}

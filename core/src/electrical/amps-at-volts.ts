import { requirePositive } from '../quantity/index.ts'

/**
 * Amps of the same shaft load at other volts, power factor and efficiency held: I1 V1 / V2. The true rise at low
 * volts is somewhat smaller. Says what to expect, never what is allowed.
 * @throws RangeError when an argument is not above zero
 * @source constant shaft power
 */
export function ampsAtVolts(amps: number, fromVolts: number, toVolts: number): number {
  requirePositive('amps', amps)
  requirePositive('fromVolts', fromVolts)
  requirePositive('toVolts', toVolts)
  return (amps * fromVolts) / toVolts
}

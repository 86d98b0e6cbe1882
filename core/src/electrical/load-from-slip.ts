import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/**
 * Load from slip, corrected for volts. Plate speed may be off by a fifth of the slip, so this is no better than ±20 %.
 * @param rpm measured, and as on the plate, and synchronous
 * @param volts measured and of the plate column
 * @returns load as a fraction
 * @throws RangeError when the speed is not between two plate slips below synchronous and synchronous
 * @source the form printed in public motor-load guides
 */
export function loadFromSlip(
  rpm: { readonly measured: number; readonly plate: number; readonly synchronous: number },
  volts: { readonly measured: number; readonly plate: number },
): number {
  requirePositive('synchronous', rpm.synchronous)
  requirePositive('volts', volts.measured)
  requirePositive('plateVolts', volts.plate)
  const rated = rpm.synchronous - rpm.plate
  if (!(rated > 0)) throw new RangeError('plate rpm must lie below synchronous')
  const slip = rpm.synchronous - rpm.measured
  if (!(slip > 0))
    throw new RangeError('measured rpm is not below synchronous: the fan drives the motor, or the poles are wrong')
  if (slip > 2 * rated)
    throw new RangeError('measured rpm is more than two plate slips down: not a load to be told by slip')
  return slip / (rated * (volts.plate / volts.measured) ** 2)
}

/**
 * Electrical input of a motor.
 * @returns kilowatts
 * @source √3 V I pf
 */
export function inputKilowatts(volts: number, amps: number, powerFactor: number, phases: 1 | 3): number {
  requirePositive('volts', volts)
  requireMagnitude('amps', amps)
  if (!(powerFactor > 0 && powerFactor <= 1)) throw new RangeError('powerFactor must lie between 0 and 1')
  return ((phases === 3 ? Math.sqrt(3) : 1) * volts * amps * powerFactor) / 1000
}

import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** What the single-phase model needs of a plate: the column in use and how much of its current only magnetises. */
export interface SinglePhaseMotor {
  readonly plateVolts: number
  readonly plateAmps: number
  /** No-load current over plate amps. */
  readonly noLoadShare: number
}

/** By how much the magnetising part grows when the capacitor is gone. @source figure of this model */
const faded = 0.6

/**
 * Line current of a running single-phase motor: a magnetising part that follows the volts and a working part that
 * follows the load over the volts, in quadrature.
 * @param load shaft load as a fraction of rated
 * @param capacitor what is left of the run capacitor, as a share: a faded one leaves more of the field to the main winding
 * @returns amperes
 * @throws RangeError when an argument is out of its range
 * @source two-component current model
 */
export function singlePhaseCurrent(motor: SinglePhaseMotor, load: number, volts: number, capacitor = 1): number {
  requireMagnitude('load', load)
  requirePositive('volts', volts)
  requirePositive('plateVolts', motor.plateVolts)
  requirePositive('plateAmps', motor.plateAmps)
  if (motor.noLoadShare <= 0 || motor.noLoadShare >= 1) throw new RangeError('noLoadShare must lie between 0 and 1')
  const u = volts / motor.plateVolts
  if (!(capacitor >= 0 && capacitor <= 2)) throw new RangeError('capacitor must lie between 0 and 2')
  const noLoad = motor.noLoadShare * motor.plateAmps
  const torque = Math.sqrt(motor.plateAmps ** 2 - noLoad ** 2)
  return Math.hypot(noLoad * (1 + faded * Math.max(0, 1 - capacitor)) * u, (torque * load) / u)
}

import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** What the single-phase model needs of a plate: the column in use and how much of its current only magnetises. */
export interface SinglePhaseMotor {
  readonly plateVolts: number
  readonly plateAmps: number
  /** No-load current over plate amps. */
  readonly noLoadShare: number
}

/**
 * Line current of a running single-phase motor: a magnetising part that follows the volts and a working part that
 * follows the load over the volts, in quadrature.
 * @param load shaft load as a fraction of rated
 * @returns amperes
 * @throws RangeError when an argument is out of its range
 * @source two-component current model
 */
export function singlePhaseCurrent(motor: SinglePhaseMotor, load: number, volts: number): number {
  requireMagnitude('load', load)
  requirePositive('volts', volts)
  requirePositive('plateVolts', motor.plateVolts)
  requirePositive('plateAmps', motor.plateAmps)
  if (motor.noLoadShare <= 0 || motor.noLoadShare >= 1) throw new RangeError('noLoadShare must lie between 0 and 1')
  const u = volts / motor.plateVolts
  const noLoad = motor.noLoadShare * motor.plateAmps
  const torque = Math.sqrt(motor.plateAmps ** 2 - noLoad ** 2)
  return Math.hypot(noLoad * u, (torque * load) / u)
}

import { requireMagnitude, requirePositive, type ThreePhase } from '../quantity/index.ts'
import { angle, polar, scale, size } from './complex.ts'
import { lineCurrents, sequenceVolts } from './sequence.ts'

/** What the first motor model needs of a plate: the column in use and three ratios. */
export interface MotorModel {
  readonly plateVolts: number
  readonly plateAmps: number
  /** No-load current over plate amps. */
  readonly noLoadShare: number
  /** Locked-rotor current over plate amps: sets how strongly volts unbalance shows in the amps. */
  readonly lockedRotorRatio: number
  readonly powerFactor: number
}

/**
 * Line currents of a running three-phase induction motor. The magnetising current follows the volts, the torque
 * current the load over the volts; the negative-sequence volts drive a current through the locked-rotor impedance,
 * which is why currents are unbalanced six to ten times as much as volts.
 * @param load shaft load as a fraction of rated
 * @param lineVolts line-to-line volts at the terminals
 * @returns amps of L1, L2, L3
 * @throws RangeError when an argument is out of its range or the volts close no triangle
 * @source two-component current model; NEMA MG 1, 14.36 for the unbalance multiple
 */
export function motorCurrents(motor: MotorModel, load: number, lineVolts: ThreePhase): ThreePhase {
  requireMagnitude('load', load)
  requirePositive('plateVolts', motor.plateVolts)
  requirePositive('plateAmps', motor.plateAmps)
  if (motor.noLoadShare <= 0 || motor.noLoadShare >= 1) throw new RangeError('noLoadShare must lie between 0 and 1')
  const { positive, negative } = sequenceVolts(lineVolts)
  const u = (size(positive) * Math.sqrt(3)) / motor.plateVolts
  const noLoad = motor.noLoadShare * motor.plateAmps
  const torque = Math.sqrt(motor.plateAmps ** 2 - noLoad ** 2)
  const magnetising = noLoad * u
  const working = (torque * load) / u
  const lag = (Math.atan2(magnetising, working) * 180) / Math.PI
  const i1 = polar(Math.hypot(magnetising, working), angle(positive) - lag)
  const locked = motor.plateVolts / Math.sqrt(3) / (motor.lockedRotorRatio * motor.plateAmps)
  const i2 = scale(polar(1, angle(negative) - 70), size(negative) / locked)
  const [ia, ib, ic] = lineCurrents(i1, i2)
  return [size(ia), size(ib), size(ic)]
}

/**
 * Line current of a running single-phase motor of the same two-component kind.
 * @throws RangeError when an argument is out of its range
 */
export function singlePhaseCurrent(motor: MotorModel, load: number, volts: number): number {
  requireMagnitude('load', load)
  requirePositive('volts', volts)
  const u = volts / motor.plateVolts
  const noLoad = motor.noLoadShare * motor.plateAmps
  const torque = Math.sqrt(motor.plateAmps ** 2 - noLoad ** 2)
  return Math.hypot(noLoad * u, (torque * load) / u)
}

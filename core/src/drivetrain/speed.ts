import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** Rim speed up to which stock cast-iron sheaves are good, m/s. @source 6500 ft/min, sheave makers' common limit */
export const rimSpeedLimit = 33.02

/** Creep of a sound V-belt, as a share of the speed. @source common practice, 0.5 to 2 % */
export const usualCreep = 0.01

/**
 * Speed of the driven sheave.
 * @param driverRpm speed of the motor, rpm @param driver @param driven pitch diameters in one unit
 * @param slip share of the speed lost, 0 without creep
 * @returns rpm
 * @throws RangeError when a diameter is not above zero or the slip not between 0 and 1
 * @source n2 = n1 d / D
 */
export function drivenRpm(driverRpm: number, driver: number, driven: number, slip = 0): number {
  requireMagnitude('driverRpm', driverRpm)
  requirePositive('driver', driver)
  requirePositive('driven', driven)
  if (!(slip >= 0 && slip < 1)) throw new RangeError('slip must lie between 0 and 1')
  return ((driverRpm * driver) / driven) * (1 - slip)
}

/**
 * Slip of a belt from both shafts' measured speeds.
 * @returns share of the speed lost; below zero when a diameter or a reading is wrong
 * @throws RangeError when a diameter or the motor's speed is not above zero
 */
export function slipFromSpeeds(driverRpm: number, drivenRpmRead: number, driver: number, driven: number): number {
  requirePositive('driverRpm', driverRpm)
  requireMagnitude('drivenRpm', drivenRpmRead)
  return 1 - drivenRpmRead / drivenRpm(driverRpm, driver, driven)
}

/** Speed at a rim of that diameter. @param diameter metres @returns m/s */
export function rimSpeed(diameter: number, rpm: number): number {
  requirePositive('diameter', diameter)
  requireMagnitude('rpm', rpm)
  return (Math.PI * diameter * rpm) / 60
}

/**
 * Pitch diameter of the motor's sheave that brings the fan to a speed.
 * @returns in the unit of `driven` @throws RangeError when an argument is not above zero
 */
export function driverFor(driverRpm: number, wantedRpm: number, driven: number, slip = 0): number {
  requirePositive('driverRpm', driverRpm)
  requirePositive('wantedRpm', wantedRpm)
  return (wantedRpm * driven) / drivenRpm(driverRpm, 1, 1, slip)
}

import { mean, requireMagnitude, requirePositive } from '../quantity/index.ts'

/** Watts of one Btu/h. */
export const wattsOfBtuHour = 0.29307107

/** Heat air takes up: J/(m³ K) at standard density. @source 1.08 Btu/h per cfm °F: 0.075 lb/ft³ · 60 · 0.24 */
export const standardHeat = 0.075 * 0.24 * 60 * wattsOfBtuHour * (9 / 5) * 2118.88

/** Standard air, kg/m³. @source 0.075 lb/ft³ */
export const standardDensity = 1.2014

/** A flow with how unsure it is, as a share. */
export interface Flow {
  /** m³/s */
  readonly flow: number
  readonly unsure: number
}

/**
 * Flow from heat put in and the rise it makes.
 * @param watts @param rise kelvins @param riseUnsure how far off the rise may be, kelvins @param heatUnsure share
 * @param density ratio to standard air
 * @throws RangeError when heat, rise or density is not above zero
 * @source q = 1.08 cfm ΔT; errors in quadrature
 */
export function flowFromHeat(watts: number, rise: number, density = 1, riseUnsure = 0.6, heatUnsure = 0.03): Flow {
  requirePositive('watts', watts)
  requirePositive('rise', rise)
  requirePositive('density', density)
  return { flow: watts / (standardHeat * density * rise), unsure: Math.hypot(riseUnsure / rise, heatUnsure) }
}

/** Three-phase resistance heat, watts. @source √3 V I */
export function heaterWatts(volts: number, amps: number, phases: 1 | 3 = 3): number {
  requireMagnitude('volts', volts)
  requireMagnitude('amps', amps)
  return (phases === 3 ? Math.sqrt(3) : 1) * volts * amps
}

/**
 * Heat input of a burner by its meter, watts.
 * @param cubicFeet gas of one turn of the dial @param seconds of that turn @param heatingValue Btu/ft³
 * @throws RangeError when an argument is not above zero
 * @source 3600 · ft³ · Btu/ft³ / s, Btu/h
 */
export function gasInput(cubicFeet: number, seconds: number, heatingValue: number): number {
  requirePositive('cubicFeet', cubicFeet)
  requirePositive('seconds', seconds)
  requirePositive('heatingValue', heatingValue)
  return ((3600 * cubicFeet * heatingValue) / seconds) * wattsOfBtuHour
}

/** Speed of standard air at a velocity pressure of one pascal, m/s. @source handbooks print 4005 ft/min at 1 in wg */
const pitot = (4005 * 0.00508) / Math.sqrt(249.08891)

/** Speed of air from its velocity pressure, m/s. @param density kg/m³ @source 4005 √VP at 0.075 lb/ft³, with the root of the density */
export function airSpeed(velocityPressure: number, density = standardDensity): number {
  requireMagnitude('velocityPressure', velocityPressure)
  requirePositive('density', density)
  return pitot * Math.sqrt((velocityPressure * standardDensity) / density)
}

/**
 * Flow from a traverse: the mean of the speeds, never of the pressures.
 * @param pressures velocity pressures, pascals @param area m²
 * @throws RangeError when there is none or one is below zero
 */
export function traverse(pressures: readonly number[], area: number, density = standardDensity) {
  if (pressures.length === 0) throw new RangeError('pressures must not be empty')
  requirePositive('area', area)
  const speeds = pressures.map((p) => airSpeed(p, density))
  const speed = mean(speeds)
  const spread = Math.sqrt(mean(speeds.map((v) => (v - speed) ** 2)))
  return {
    speeds,
    speed,
    flow: speed * area,
    unsure: speed > 0 ? Math.hypot(0.03, spread / speed / Math.sqrt(speeds.length)) : 1,
    byMeanPressure: airSpeed(mean(pressures), density) * area,
  }
}

/** Pressure of the air at a height, pascals. @param metres above the sea @source standard atmosphere */
export function pressureAtHeight(metres: number): number {
  if (!(metres > -500 && metres < 11000)) throw new RangeError('metres must lie between −500 and 11000')
  return 101325 * (1 - 2.25577e-5 * metres) ** 5.2559
}

/** Density of dry air, kg/m³. @param pressure pascals @param celsius @source ideal gas */
export function airDensity(pressure: number, celsius: number): number {
  requirePositive('pressure', pressure)
  if (!(celsius > -100)) throw new RangeError('celsius must be above −100')
  return pressure / (287.05 * (celsius + 273.15))
}

/**
 * Share of outside air by temperatures of return, outside and mix.
 * @returns null where return and outside are too close for the share to mean anything
 * @throws RangeError when the mix lies outside both: one of the three is misread
 * @source (Tr − Tm)/(Tr − To); six kelvins at least: common practice
 */
export function outsideShare(back: number, outside: number, mixed: number): number | null {
  if (Math.abs(back - outside) < 6) return null
  const share = (back - mixed) / (back - outside)
  if (!(share >= 0 && share <= 1))
    throw new RangeError('mixed is outside the range of return and outside air: one of the three was misread')
  return share
}

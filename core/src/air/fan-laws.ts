import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** A point at which a fan works: flow, pressure and shaft power, each in any unit. */
export interface FanPoint {
  readonly flow: number
  readonly pressure: number
  readonly power: number
}

/**
 * The same fan at another speed, size or density, on the same point of its curve.
 * @param speed @param size @param density ratios, new over old
 * @throws RangeError when a figure is below zero or a ratio not above it
 * @source fan laws: flow n D³, pressure n² D² ρ, power n³ D⁵ ρ
 */
export function fanLaws(point: FanPoint, speed: number, size = 1, density = 1): FanPoint {
  requireMagnitude('flow', point.flow)
  requireMagnitude('pressure', point.pressure)
  requireMagnitude('power', point.power)
  requirePositive('speed', speed)
  requirePositive('size', size)
  requirePositive('density', density)
  return {
    flow: point.flow * speed * size ** 3,
    pressure: point.pressure * speed ** 2 * size ** 2 * density,
    power: point.power * speed ** 3 * size ** 5 * density,
  }
}

/**
 * Line amps at another fan speed: the shaft's load goes with the cube, the magnetising current does not.
 * @param amps now @param full amps at full load @param noLoad amps with nothing on the shaft @param speed ratio, new over old
 * @returns load now and then as shares of full load, amps then, and what cubing the amps would have said
 * @throws RangeError when the no-load amps are not below the full ones, or the amps now not above them
 * @source load = √[(I² − I0²)/(In² − I0²)], cubed, and back
 */
export function ampsAtSpeed(amps: number, full: number, noLoad: number, speed: number) {
  requirePositive('amps', amps)
  requirePositive('full', full)
  requireMagnitude('noLoad', noLoad)
  requirePositive('speed', speed)
  if (noLoad >= full) throw new RangeError('noLoad must be below the full-load amps')
  if (amps <= noLoad) throw new RangeError('amps must be above the no-load amps')
  const span = full * full - noLoad * noLoad
  const before = Math.sqrt((amps * amps - noLoad * noLoad) / span)
  const after = before * speed ** 3
  return {
    before,
    after,
    amps: Math.sqrt(noLoad * noLoad + after * after * span),
    cubed: amps * speed ** 3,
    /** Speed ratio at which the motor would be full. */
    toFull: before ** (-1 / 3),
  }
}

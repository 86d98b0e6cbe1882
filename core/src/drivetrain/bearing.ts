import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** Exponent of bearing life. @source ISO 281 */
export const lifeExponent = { ball: 3, roller: 10 / 3 } as const
export type BearingKind = keyof typeof lifeExponent

/**
 * Hours that nine of ten bearings live.
 * @param capacity dynamic load rating C @param load equivalent load P, in the same unit @param rpm above zero
 * @throws RangeError when one of them is not above zero
 * @source ISO 281: L10h = 10⁶/(60 n) (C/P)^p
 */
export function lifeHours(capacity: number, load: number, rpm: number, kind: BearingKind = 'ball'): number {
  requirePositive('capacity', capacity)
  requirePositive('load', load)
  requirePositive('rpm', rpm)
  return (1e6 / (60 * rpm)) * (capacity / load) ** lifeExponent[kind]
}

/** Life of a shaft on several bearings, in their unit. @source Weibull slope 10/9 */
export function systemLife(lives: readonly number[]): number {
  if (lives.length === 0) throw new RangeError('lives must not be empty')
  lives.forEach((l) => requirePositive('lives', l))
  return lives.reduce((sum, l) => sum + l ** (-10 / 9), 0) ** (-9 / 10)
}

/** Loads of the two bearings of a shaft, newtons. */
export interface ShaftLoads {
  readonly driveEnd: number
  readonly otherEnd: number
}

/**
 * What belt pull and wheel weight lay on the two bearings, at right angles at worst taken together.
 * @param pull of the belts, N, at `overhang` metres outside of the drive-end bearing
 * @param weight of the wheel, N, at the middle between the bearings, `apart` metres
 * @source equilibrium of a shaft on two supports
 */
export function shaftLoads(pull: number, overhang: number, weight: number, apart: number): ShaftLoads {
  requireMagnitude('pull', pull)
  requireMagnitude('overhang', overhang)
  requireMagnitude('weight', weight)
  requirePositive('apart', apart)
  return {
    driveEnd: pull * (1 + overhang / apart) + weight / 2,
    otherEnd: (pull * overhang) / apart + weight / 2,
  }
}

/** Share of the bearing life left when a load grows from one to another. @source ISO 281 */
export function lifeRatio(before: number, after: number, kind: BearingKind = 'ball'): number {
  requirePositive('before', before)
  requirePositive('after', after)
  return (before / after) ** lifeExponent[kind]
}

/**
 * Frequencies a damaged bearing gives, as multiples of the inner ring's turns.
 * @param balls count @param ball diameter @param pitch diameter, same unit @param angle of contact, degrees
 * @source kinematics of a rolling bearing
 */
export function bearingMultiples(balls: number, ball: number, pitch: number, angle = 0) {
  requirePositive('balls', balls)
  requirePositive('ball', ball)
  requirePositive('pitch', pitch)
  const g = (ball / pitch) * Math.cos((angle * Math.PI) / 180)
  if (!(g < 1)) throw new RangeError('ball must be smaller than the pitch diameter')
  return {
    cage: (1 - g) / 2,
    outer: (balls * (1 - g)) / 2,
    inner: (balls * (1 + g)) / 2,
    ball: (pitch / (2 * ball)) * (1 - g * g),
  }
}

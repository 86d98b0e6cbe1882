import { requirePositive } from '../quantity/index.ts'

/** Two sheaves and how far apart: pitch diameters and center distance, all in one unit of length, whichever. */
export interface DriveGeometry {
  readonly small: number
  readonly large: number
  readonly center: number
}

/** Diameters and centers checked: both above zero, the sheaves not touching. */
function checked(small: number, large: number, center: number): DriveGeometry {
  requirePositive('small', small)
  requirePositive('large', large)
  requirePositive('center', center)
  if (center <= (small + large) / 2) throw new RangeError('center must be more than half the two diameters together')
  return small <= large ? { small, large, center } : { small: large, large: small, center }
}

/** Angle between the span and the line of centers, radians. */
const lean = (g: DriveGeometry) => Math.asin((g.large - g.small) / (2 * g.center))

/**
 * Pitch length of an open belt over two sheaves, exact.
 * @param small @param large pitch diameters, in any order @param center center distance; one unit of length
 * @returns length in that unit
 * @throws RangeError when a diameter is not above zero or the sheaves would touch
 * @source geometry of an open belt: 2C cos α + π(D + d)/2 + α(D − d), sin α = (D − d)/2C
 */
export function beltLength(small: number, large: number, center: number): number {
  const g = checked(small, large, center)
  const a = lean(g)
  return 2 * g.center * Math.cos(a) + (Math.PI * (g.large + g.small)) / 2 + a * (g.large - g.small)
}

/**
 * Centre distance at which a belt of that pitch length lies taut: the inverse of `beltLength`.
 * @throws RangeError when the belt is too short to reach round two sheaves that do not touch
 * @source [B + √(B² − 32(D − d)²)]/16 with B = 4L − 2π(D + d), then Newton on the exact length
 */
export function centerFromLength(small: number, large: number, length: number): number {
  requirePositive('small', small)
  requirePositive('large', large)
  requirePositive('length', length)
  const touching = ((small + large) / 2) * (1 + 1e-9)
  if (length <= beltLength(small, large, touching * (1 + 1e-9)))
    throw new RangeError('length is too short to go round these sheaves')
  const b = 4 * length - 2 * Math.PI * (large + small)
  const square = b * b - 32 * (large - small) ** 2
  let center = Math.max((b + Math.sqrt(Math.max(0, square))) / 16, touching * 1.0001)
  for (let i = 0; i < 60; i++) {
    const off = beltLength(small, large, center) - length
    // The length grows with the centers by twice the cosine of the lean.
    const slope = 2 * Math.cos(Math.asin(Math.abs(large - small) / (2 * center)))
    const next = Math.max(center - off / slope, touching * (1 + 1e-9))
    if (Math.abs(next - center) <= 1e-12 * center) return next
    center = next
  }
  return center
}

/** Arc of contact on the smaller sheave, degrees. @throws RangeError like `beltLength` */
export function arcOfContact(small: number, large: number, center: number): number {
  return 180 - (2 * lean(checked(small, large, center)) * 180) / Math.PI
}

/** Free span between the sheaves, in the unit of the lengths. @throws RangeError like `beltLength` */
export function spanLength(small: number, large: number, center: number): number {
  const g = checked(small, large, center)
  return Math.sqrt(g.center ** 2 - ((g.large - g.small) / 2) ** 2)
}

import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** How far V-sheaves may stand askew, degrees. @source common practice; joined and toothed belts half of it */
export const alignmentLimit = 0.5

/** Gap at the far sheave that an angle makes over the centers, in their unit. */
export function gapOfAngle(degrees: number, center: number): number {
  requireMagnitude('degrees', degrees)
  requirePositive('center', center)
  return center * Math.tan((degrees * Math.PI) / 180)
}

/** Angle of a gap over the centers, degrees. */
export function angleOfGap(gap: number, center: number): number {
  requireMagnitude('gap', gap)
  requirePositive('center', center)
  return (Math.atan(gap / center) * 180) / Math.PI
}

/** What a straightedge over both faces shows: gaps at the near and far edge of each sheave, one unit of length. */
export interface StraightedgeGaps {
  readonly motorNear: number
  readonly motorFar: number
  readonly fanNear: number
  readonly fanFar: number
}

/**
 * Askew and offset from four gaps: the motor's sheave turned, the fan's sheave turned, and one set beside the other.
 * @param faces diameters over which the gaps of each sheave were taken
 * @returns angles in degrees, offset in the unit of the gaps
 */
export function misalignment(gaps: StraightedgeGaps, faces: { motor: number; fan: number }) {
  requirePositive('motor', faces.motor)
  requirePositive('fan', faces.fan)
  const angle = (near: number, far: number, face: number) => (Math.atan((far - near) / face) * 180) / Math.PI
  return {
    motorAngle: angle(gaps.motorNear, gaps.motorFar, faces.motor),
    fanAngle: angle(gaps.fanNear, gaps.fanFar, faces.fan),
    offset: (gaps.fanNear + gaps.fanFar) / 2 - (gaps.motorNear + gaps.motorFar) / 2,
  }
}

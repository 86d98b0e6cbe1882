import { requireMagnitude, type ThreePhase } from '../quantity/index.ts'

/** What of a ground fault comes back by the grounding conductor and what by other ways, amperes. */
export interface GroundReturn {
  /** Bounds of the current that returns another way; the phase between the two readings is not known. */
  readonly otherLow: number
  readonly otherHigh: number
  /** Share that returns another way when both are in phase; below zero when another circuit uses this conductor. */
  readonly share: number
}

/**
 * Split a ground fault's current by two clamp readings.
 * @param lineAmps what goes out by the line and does not come back by it, amperes (all line conductors in one jaw, or
 * the one live line of a fan that should be off)
 * @param groundWireAmps on the equipment grounding conductor alone, amperes
 * @throws RangeError when a current is negative, not finite, or the line carries none
 * @source phasor sum; only bounds follow from magnitudes
 */
export function groundReturn(lineAmps: number, groundWireAmps: number): GroundReturn {
  requireMagnitude('lineAmps', lineAmps)
  requireMagnitude('groundWireAmps', groundWireAmps)
  if (lineAmps === 0) throw new RangeError('lineAmps must be above zero')
  return {
    otherLow: Math.abs(lineAmps - groundWireAmps),
    otherHigh: lineAmps + groundWireAmps,
    share: (lineAmps - groundWireAmps) / lineAmps,
  }
}

/** A current with its angle. Amperes and degrees. */
export interface Phasor {
  readonly amps: number
  readonly degrees: number
}

/**
 * What is left of one current when another is taken away: line current less ground current is what returns another way.
 * @throws RangeError when a current is negative or not finite
 * @source phasor difference
 */
export function phasorDifference(a: Phasor, b: Phasor): Phasor {
  requireMagnitude('amps', a.amps)
  requireMagnitude('amps', b.amps)
  const radians = (p: Phasor) => (p.degrees * Math.PI) / 180
  const re = a.amps * Math.cos(radians(a)) - b.amps * Math.cos(radians(b))
  const im = a.amps * Math.sin(radians(a)) - b.amps * Math.sin(radians(b))
  return { amps: Math.hypot(re, im), degrees: (Math.atan2(im, re) * 180) / Math.PI }
}

/**
 * Residual of three resistive leaks to ground at 120 degrees.
 * @param leaks of L1, L2, L3, any unit of current
 * @source phasor sum
 */
export function residualOfLeaks(leaks: ThreePhase): number {
  for (const l of leaks) requireMagnitude('leaks', l)
  const [a, b, c] = leaks
  return Math.sqrt(Math.max(0, a * a + b * b + c * c - a * b - b * c - c * a))
}

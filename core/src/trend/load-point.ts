import { mean } from '../quantity/index.ts'
import { figuresOf, type Visit } from './visit.ts'

/** A visit's current as one figure that can be compared over time. */
export interface LoadPoint {
  readonly at: number
  /** Mean of the legs as read, amperes. */
  readonly amps: number
  /** The same at the machine's reference volts (constant shaft power), amperes. */
  readonly normal: number
  readonly legs: readonly number[]
  /** The hertz it was read at, where its amps were brought to other hertz by the model of the motor. */
  readonly readAtHz?: number
}

/** Mean line voltage of a visit; null where none was read. */
export const meanVolts = (visit: Visit): number | null => figuresOf(visit).volts

/**
 * @param reference volts to refer the amps to, or null to leave them as they are
 * @returns null when the visit has no amps, or the machine was not drawing current
 */
export function loadPoint(visit: Visit, reference: number | null): LoadPoint | null {
  const { legs, volts } = figuresOf(visit)
  if (legs.length === 0) return null
  const amps = mean(legs)
  // Less than any clamp shows is nothing, and a ratio to it would be noise.
  if (amps < 1e-6) return null
  const normal = volts !== null && reference !== null && volts > 0 ? (amps * volts) / reference : amps
  return { at: visit.at, amps, normal, legs }
}

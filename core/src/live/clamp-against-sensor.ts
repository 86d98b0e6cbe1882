/** Amps, and the hertz they were read at where those are known. */
interface Amps {
  readonly amps: number
  readonly hz: number | null | undefined
}

/** So little says nothing of a ratio. @source common practice */
const little = 0.5
/** Hertz that differ by more are another speed: the two were not read at the same time. */
const sameHz = 1.5

/**
 * How far a clamp and the building's sensor are apart, as a share of the larger.
 * @returns null where they cannot be held against each other: both read next to nothing, or at another speed
 */
export function clampOffSensor(clamp: Amps, sensor: Amps): number | null {
  if (clamp.hz != null && sensor.hz != null && Math.abs(clamp.hz - sensor.hz) > sameHz) return null
  if (clamp.amps < little && sensor.amps < little) return null
  return Math.abs(clamp.amps - sensor.amps) / Math.max(clamp.amps, sensor.amps)
}

/** What to do where they disagree. */
export const whereTheyDisagree = (hasVfd: boolean): string =>
  hasVfd
    ? 'Clamp again on the output leads with a true-RMS clamp for drives: input and output amps differ. If the clamp holds, correct the sensor or its unit.'
    : 'Clamp again, one conductor at a time, jaws closed. If the clamp holds, correct the sensor, its ratio or its unit.'

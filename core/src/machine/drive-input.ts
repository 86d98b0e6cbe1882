import { mean, requireMagnitude, requirePositive, type ThreePhase } from '../quantity/index.ts'

/** What flows ahead of a drive, and the volts of its bus. */
export interface DriveInput {
  /** Amperes by leg. */
  readonly amps: ThreePhase
  readonly bus: number
}

/** Share of what it takes that a drive passes on. @source common practice: 96 to 98 % */
const passes = 0.97
/** Power factor of its rectifier, distortion with it: on three lines, and on the two that are left. @source common practice, 0.65 to 0.9 */
const [onThree, onTwo] = [0.78, 0.6]
/** Per cent of amps for a per cent of volts by which a pair is off. @source common practice: ten to twenty */
const uneven = 12
/** A bus on one pair: its capacitors carry it between the peaks, and sag. @source between √2 and 2√2/π */
const onePair = 1.2

/**
 * Amps ahead of a drive by the power it passes on: the displacement of the motor stays behind it, so that they are lower than those of
 * its output at part speed, and rise with the square root of three where a leg is lost.
 * @param line volts by pair @param watts into the motor @param lost a leg that is gone ahead of it
 * @throws RangeError when volts are not above zero or watts below it
 * @source power balance; 3√2/π of the line for the bus
 */
export function driveInput(line: ThreePhase, watts: number, lost: 0 | 1 | 2 | null = null): DriveInput {
  requireMagnitude('watts', watts)
  line.forEach((v) => requirePositive('line', v))
  const volts = mean(line)
  const taken = watts / passes
  if (lost !== null) {
    // The pair that does not hold the lost leg: L1-L2, L2-L3, L3-L1 lie across from L3, L1, L2.
    const pair = line[(lost + 1) % 3] ?? volts
    const amps = taken / (pair * onTwo)
    return { amps: [lost === 0 ? 0 : amps, lost === 1 ? 0 : amps, lost === 2 ? 0 : amps], bus: onePair * pair }
  }
  const amps = taken / (Math.sqrt(3) * volts * onThree)
  // A leg takes with the two pairs it is part of.
  const of = (a: number, b: number) => amps * Math.max(0, 1 + uneven * ((a + b) / 2 / volts - 1))
  return {
    amps: [of(line[0], line[2]), of(line[0], line[1]), of(line[1], line[2])],
    bus: ((3 * Math.SQRT2) / Math.PI) * volts,
  }
}

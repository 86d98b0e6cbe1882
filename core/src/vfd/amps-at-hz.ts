import { requirePositive } from '../quantity/index.ts'

/** A fan's motor on a drive, by its nameplate. */
export interface FanOnDrive {
  readonly plateAmps: number
  readonly plateHz: number
  /** Estimated: no nameplate prints it. */
  readonly noLoadAmps: number
}

/** Output amps to be expected, with the range that meter and estimate leave. */
export interface ExpectedAmps {
  readonly amps: number
  readonly low: number
  readonly high: number
}

/** The no-load current of a motor is known from its nameplate to about so much. @source common practice */
const noLoadOff = 0.15
/** A clamp and a drive may differ by so much. @source common practice */
const readOff = 0.05

/** The part of the current that works against the fan, over the square of the speed: the same at every hertz. */
function working(amps: number, noLoad: number, share: number): number | null {
  const squared = amps ** 2 - noLoad ** 2
  return squared > 0 ? Math.sqrt(squared) / share ** 2 : null
}

/**
 * Output amps of a fan at other hertz than it was read at, all else as it was: torque goes with the square of the speed, the
 * magnetizing part stays while volts go with the hertz. So a reading at 41 Hz can be held against one at 52 Hz.
 * @param read amps and hertz as they were read @param hz wanted
 * @returns null where the motor was hardly loaded, or hertz lie above the nameplate's: then the model says nothing
 * @throws RangeError when a figure is not above zero
 * @source I = √(I0² + (In² − I0²) · (n/nn)⁴ · load²), speed taken as the hertz
 */
export function ampsAtHz(
  m: FanOnDrive,
  read: { readonly amps: number; readonly hz: number },
  hz: number,
): ExpectedAmps | null {
  requirePositive('plateHz', m.plateHz)
  requirePositive('noLoadAmps', m.noLoadAmps)
  requirePositive('amps', read.amps)
  requirePositive('hz', hz)
  requirePositive('read.hz', read.hz)
  const most = 1.02 * m.plateHz
  if (hz > most || read.hz > most) return null
  const at = (amps: number, noLoad: number): number | null => {
    const works = working(amps, noLoad, read.hz / m.plateHz)
    return works === null ? null : Math.hypot(noLoad, works * (hz / m.plateHz) ** 2)
  }
  const amps = at(read.amps, m.noLoadAmps)
  if (amps === null) return null
  // Read low with much of it magnetizing, read high with little: between these it may lie.
  const all = [1 - noLoadOff, 1, 1 + noLoadOff].flatMap((n) =>
    [1 - readOff, 1 + readOff].flatMap((r) => at(read.amps * r, m.noLoadAmps * n) ?? []),
  )
  return { amps, low: Math.min(amps, ...all) * (1 - readOff), high: Math.max(amps, ...all) * (1 + readOff) }
}

import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** A motor of a fan as its nameplate has it, to be run by a drive. */
export interface DrivenMotor {
  readonly plateHz: number
  readonly plateRpm: number
  readonly plateVolts: number
  readonly plateAmps: number
  readonly noLoadAmps: number
  readonly poles: number
}

/** What a drive makes of it: rpm, volts and amps at the motor, shaft power as a share of rated. */
export interface DriveOutput {
  readonly synchronous: number
  readonly rpm: number
  readonly volts: number
  readonly amps: number
  readonly power: number
}

/**
 * Speed and output amps of a fan's motor at a drive's hertz. Torque goes with the square of the speed; the magnetizing part
 * stays while volts go with the hertz, and falls above the nameplate's.
 * @param load torque over rated at the nameplate's speed
 * @throws RangeError when a figure is not above zero, the speed no induction motor's, or no-load amps not below the plate's
 * @source n = ns − slip · load · (n/nn)²;  I = √(I0² + (In² − I0²) (n/nn)⁴ load²)
 */
export function driveOutput(m: DrivenMotor, hz: number, load: number): DriveOutput {
  requirePositive('hz', hz)
  requirePositive('plateHz', m.plateHz)
  requirePositive('plateVolts', m.plateVolts)
  requirePositive('plateAmps', m.plateAmps)
  requirePositive('poles', m.poles)
  requireMagnitude('load', load)
  requireMagnitude('noLoadAmps', m.noLoadAmps)
  if (m.noLoadAmps >= m.plateAmps) throw new RangeError('noLoadAmps must lie below the nameplate amps')
  const rated = (120 * m.plateHz) / m.poles
  const slip = rated - m.plateRpm
  if (!(slip > 0 && slip < 0.3 * rated))
    throw new RangeError(`plateRpm must lie a little below ${rated.toFixed(0)} rpm`)
  const synchronous = (120 * hz) / m.poles
  // a n² + n − ns = 0 with the slip of a fan.
  const a = (slip * load) / m.plateRpm ** 2
  const rpm = a === 0 ? synchronous : (Math.sqrt(1 + 4 * a * synchronous) - 1) / (2 * a)
  const weaker = Math.max(1, hz / m.plateHz)
  const torque = load * (rpm / m.plateRpm) ** 2
  const working = Math.sqrt(m.plateAmps ** 2 - m.noLoadAmps ** 2) * torque * weaker
  return {
    synchronous,
    rpm,
    volts: m.plateVolts * Math.min(1, hz / m.plateHz),
    amps: Math.hypot(m.noLoadAmps / weaker, working),
    power: torque * (rpm / m.plateRpm),
  }
}

import { balancedAt, type MotorCircuit } from '../machine/index.ts'
import { motorThen, type MotorThen } from './motor-then.ts'
import type { DriveToday } from './today.ts'

/**
 * One standard deviation of each thing that nobody knows exactly when a change of speed is worked out: the mean of three
 * clamp readings, volts of another day, what sheaves and air of another day make of the speed, plate amps and magnetising
 * part against the motor's own, pressure that does not go with the flow.
 * @source common practice; meters by their class
 */
const deviation = { reading: 0.009, volts: 0.009, speed: 0.012, plate: 0.028, magnetising: 0.115, fixed: 0.1 } as const

/** Amps at the plate's own point. */
function ratedAmps(c: MotorCircuit): number {
  const synchronous = (120 * c.hz) / c.poles
  return balancedAt(c, Math.max(1e-4, 1 - c.rpm / synchronous), c.volts).amps
}

/** A motor of the same plate that magnetises with more: it draws the plate's amps at full load all the same. */
function magnetisesMore(t: DriveToday, by: number): DriveToday {
  const { circuit } = t
  if (!circuit) return t
  const other = { ...circuit, xm: circuit.xm / by }
  const same = ratedAmps(other) / ratedAmps(circuit)
  return { ...t, circuit: other, legs: t.legs.map((a) => a * same) }
}

const readAs = (t: DriveToday, by: number): DriveToday => ({ ...t, legs: t.legs.map((a) => a * by) })

/**
 * How far off the predicted amps may be, as one standard deviation of their logarithm: each doubt is sent through the same
 * model, so that the range grows with the change, and where little load leaves the amps nearly the motor's own.
 */
export function doubtOf(t: DriveToday, ratio: number, hz: number, motor: MotorThen): number {
  const moved = (other: DriveToday, otherRatio = ratio, magnetises = 1): number => {
    try {
      return Math.log(motorThen(other, otherRatio, hz, magnetises).amps / motor.amps)
    } catch (e) {
      // Past what this motor carries: as far off as an overloaded one is.
      if (e instanceof RangeError) return Math.log(1.5)
      throw e
    }
  }
  const either = (of: (by: number) => number, share: number): number =>
    Math.max(Math.abs(of(1 + share)), Math.abs(of(1 - share)))
  const { reading, volts, speed, plate, magnetising, fixed } = deviation
  return Math.hypot(
    reading,
    reading + moved(readAs(t, 1 + reading)),
    either((by) => moved(readAs(t, by)), plate),
    either((by) => moved(magnetisesMore(t, by), ratio, by), magnetising),
    moved(t, ratio * (1 + speed)),
    moved({ ...t, volts: t.volts * (1 + volts) }),
    volts,
    moved({ ...t, fixed: Math.min(0.9, t.fixed + fixed) }),
  )
}

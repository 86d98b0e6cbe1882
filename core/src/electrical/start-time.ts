import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** A fan's inertia seen at the motor's shaft, lb·ft². @source WK² goes with the square of the speeds */
export function referredInertia(inertia: number, fanRpm: number, motorRpm: number): number {
  requireMagnitude('inertia', inertia)
  requirePositive('fanRpm', fanRpm)
  requirePositive('motorRpm', motorRpm)
  return inertia * (fanRpm / motorRpm) ** 2
}

/**
 * Seconds from rest to speed.
 * @param inertia at the motor's shaft, lb·ft² @param torque mean accelerating torque, motor less load, lb·ft
 * @source t = WK² Δn / (308 T)
 */
export function startSeconds(inertia: number, motorRpm: number, torque: number): number {
  requirePositive('inertia', inertia)
  requirePositive('motorRpm', motorRpm)
  requirePositive('torque', torque)
  return (inertia * motorRpm) / (308 * torque)
}

/**
 * Greatest inertia of a load for a normal start, lb·ft².
 * @param synchronousRpm 300 to 3600
 * @source NEMA MG 1, 12.54, the formula behind its table; from memory
 */
export function largestInertia(hp: number, synchronousRpm: number): number {
  requirePositive('hp', hp)
  if (!(synchronousRpm >= 300 && synchronousRpm <= 3600))
    throw new RangeError('synchronousRpm must lie between 300 and 3600')
  const n = synchronousRpm / 1000
  const a = synchronousRpm > 1800 ? 27 : 24
  return (a * hp ** 0.95) / n ** 2.4 - (0.0685 * hp ** 1.5) / n ** 1.8
}

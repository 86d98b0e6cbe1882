import { requireMagnitude, requirePositive } from '../quantity/index.ts'
import { polesOf, synchronousSpeed } from '../plate/index.ts'
import { largestInertia, referredInertia, startSeconds } from './start-time.ts'

/** A motor and the wheel it has to bring up. Inertia in lb·ft². */
export interface Starting {
  readonly phases: 1 | 3
  readonly hz: number
  readonly hp: number
  readonly rpm: number
  readonly wheel: number
  readonly fanRpm: number
  /** Volts at the terminals while it starts, of the nameplate, as a fraction. */
  readonly volts: number
  /** Load at speed, of the nameplate, as a fraction. */
  readonly load: number
}

/** Seconds until it has to be up: inside the class of an ordinary overload, and a protector. @source common practice */
export const startLimits = { three: 10, one: 5 } as const
/** Least volts at the terminals. @source common practice */
export const leastStartVolts = 0.9
/** Mean torque of the motor from rest to speed, of its own; a fan’s is a third of what it takes at speed. @source common practice, design B */
const meanMotor = { three: 1.5, one: 1.2 } as const
const meanFan = 1 / 3
/** Its rotor, lb·ft² a horsepower. @source common practice */
const rotor = 0.15

export interface StartResult {
  /** Null: it does not come up. */
  readonly seconds: number | null
  readonly limit: number
  /** Most inertia that a motor of its size starts, at its shaft; null where its poles are not known. */
  readonly largest: number | null
  readonly referred: number
  readonly starts: boolean
  readonly because: 'it starts' | 'volts' | 'torque' | 'time' | 'inertia'
}

/**
 * Will it bring this wheel up in time? An estimate from the nameplate: three starts from rest, one of them hot, decide.
 * @source t = WK² Δn / (308 T), torque with the square of the volts; NEMA MG 1, 12.54 for the inertia, from memory
 */
export function canStart(s: Starting): StartResult {
  for (const key of ['hz', 'hp', 'rpm', 'fanRpm', 'volts'] as const) requirePositive(key, s[key])
  requireMagnitude('wheel', s.wheel)
  requireMagnitude('load', s.load)
  const size = s.phases === 3 ? 'three' : 'one'
  const limit = startLimits[size]
  const full = (5252 * s.hp) / s.rpm
  const torque = full * (meanMotor[size] * s.volts ** 2 - meanFan * s.load)
  const referred = referredInertia(s.wheel, s.fanRpm, s.rpm)
  const poles = polesOf(s.hz, s.rpm)
  const sync = poles === null ? null : synchronousSpeed(s.hz, poles)
  const largest = s.phases === 3 && sync !== null && sync <= 3600 && sync >= 300 ? largestInertia(s.hp, sync) : null
  const seconds = torque > 0 ? startSeconds(referred + rotor * s.hp, s.rpm, torque) : null
  const because =
    s.volts < leastStartVolts
      ? 'volts'
      : seconds === null
        ? 'torque'
        : seconds > limit
          ? 'time'
          : largest !== null && referred > largest
            ? 'inertia'
            : 'it starts'
  return { seconds, limit, largest, referred, starts: because === 'it starts', because }
}

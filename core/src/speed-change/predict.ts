import { soundOfSpeed } from '../motion/index.ts'
import { mean, requireMagnitude, requirePositive } from '../quantity/index.ts'
import { beltsCarry } from '../installed/index.ts'
import { pitchAtTurns } from '../drivetrain/index.ts'
import { bearingsThen, type BearingsTold } from './bearings.ts'
import { doubtOf } from './doubt.ts'
import { halfWidth, shiftFrom } from './interval.ts'
import { motorThen, shares } from './motor-then.ts'
import { baseThen, type BaseTold } from './base.ts'
import type { DriveToday, SpeedChange } from './today.ts'

/** What a change of speed will do. Amperes, rpm, m³/s, pascals, m/s; shares are of today's. */
export interface Prediction {
  /** Fan speed then over now. */
  readonly speed: number
  readonly motorRpm: number
  readonly fanRpm: number
  readonly fanRpmNow: number
  /** By leg, keeping today's unevenness. */
  readonly legs: readonly number[]
  readonly amps: number
  readonly low: number
  readonly high: number
  /** Earlier changes of this machine that the interval has learnt from. */
  readonly learnt: number
  /** Shaft load over rated; null where no circuit tells it. */
  readonly load: number | null
  readonly airShare: number
  readonly pressureShare: number
  readonly powerShare: number
  readonly flow: number | null
  readonly pressure: number | null
  /** Pitch diameters then, mm; null for a fan on the motor's own shaft. */
  readonly driver: number | null
  readonly driven: number | null
  readonly hz: number
  readonly beltSpeed: number | null
  readonly rimSpeed: number | null
  readonly base: BaseTold | null
  readonly bearings: BearingsTold | null
  /** Watts the belts are good for then; null where their rating or the drive is not known. */
  readonly beltsCarry: number | null
  /** Decibels more, of the fan alone. */
  readonly sound: number
  /** Watts taken from the supply then and now; null where no circuit tells them. */
  readonly watts: number | null
  readonly wattsNow: number | null
  /** Of energy a year, then and now, in the unit of the price. */
  readonly cost: number | null
  readonly costNow: number | null
}

/** Pitch diameters and hertz after a change. @throws RangeError when the change is none of this machine */
function settingAfter(
  t: DriveToday,
  change: SpeedChange,
): { driver: number | null; driven: number | null; hz: number } {
  const { drive } = t
  if (change.kind === 'hertz') {
    requirePositive('hz', change.hz)
    if (!t.onDrive) throw new RangeError('hz: this motor has no drive that sets it')
    return { driver: drive?.driver ?? null, driven: drive?.driven ?? null, hz: change.hz }
  }
  if (!drive) throw new RangeError('change: there is no belt drive on this machine')
  if (change.kind === 'turns') {
    if (!drive.adjustable) throw new RangeError('turns: the motor sheave is not adjustable')
    return { driver: pitchAtTurns(drive.adjustable, change.turns), driven: drive.driven, hz: t.hz }
  }
  requirePositive('pitch', change.pitch)
  return change.kind === 'motor sheave'
    ? { driver: change.pitch, driven: drive.driven, hz: t.hz }
    : { driver: drive.driver, driven: change.pitch, hz: t.hz }
}

/**
 * What a change of a fan's speed will do, from one stop of today.
 * @throws RangeError when there are no amps, the change is none of this machine, or the motor could not carry it
 * @source shaft load from the motor's circuit, fan laws on the wheel's curve and the duct, back through the circuit
 */
export function predict(t: DriveToday, change: SpeedChange): Prediction {
  if (t.legs.length === 0) throw new RangeError('legs must not be empty')
  t.legs.forEach((a) => requirePositive('legs', a))
  requirePositive('volts', t.volts)
  requirePositive('hz', t.hz)
  requireMagnitude('hours', t.hours)
  requireMagnitude('price', t.price)
  if (!(t.fixed >= 0 && t.fixed <= 0.9)) throw new RangeError('fixed must lie between 0 and 0.9')
  const after = settingAfter(t, change)
  const ratioOf = (driver: number | null, driven: number | null) =>
    driver === null || driven === null ? 1 : driver / driven
  const ratioNow = ratioOf(t.drive?.driver ?? null, t.drive?.driven ?? null)
  const ratio = ratioOf(after.driver, after.driven) / ratioNow
  const motor = motorThen(t, ratio, after.hz)
  const share = shares(t, motor.speed)
  const scale = motor.amps * Math.exp(shiftFrom(t.misses))
  const amps = mean(t.legs) * scale
  const fanRpmNow = t.fanRpm ?? motor.rpmNow * ratioNow * (t.drive ? 0.99 : 1)
  const rim = (diameter: number, rpm: number) => (Math.PI * diameter * rpm) / 60_000
  const cost = (watts: number | null) => (watts === null ? null : (watts / 1000) * t.hours * t.price)
  const fanRpm = fanRpmNow * motor.speed
  const base = baseThen(t, after)
  // Dear to work out, and a search for a goal never asks for it.
  let width: number | null = null
  const half = () => (width ??= halfWidth(t.misses, doubtOf(t, ratio, after.hz, motor)))
  return {
    speed: motor.speed,
    motorRpm: motor.rpm,
    fanRpm,
    fanRpmNow,
    legs: t.legs.map((a) => a * scale),
    amps,
    get low() {
      return amps * Math.exp(-half())
    },
    get high() {
      return amps * Math.exp(half())
    },
    learnt: t.misses.length,
    load: motor.load,
    airShare: share.air,
    pressureShare: share.pressure,
    powerShare: share.power,
    flow: t.flow === null ? null : t.flow * share.air,
    pressure: t.pressure === null ? null : t.pressure * share.pressure,
    driver: after.driver,
    driven: after.driven,
    hz: after.hz,
    beltSpeed: after.driver === null ? null : rim(after.driver, motor.rpm),
    rimSpeed:
      after.driver === null || after.driven === null
        ? null
        : Math.max(rim(after.driver, motor.rpm), rim(after.driven, fanRpm)),
    base,
    bearings: bearingsThen(t, after, motor, share.power, fanRpm, fanRpmNow),
    beltsCarry:
      !t.drive || after.driver === null || after.driven === null
        ? null
        : beltsCarry(
            {
              ...t.drive,
              driver: after.driver,
              driven: after.driven,
              center: base?.center ?? t.drive.center,
              beltLength: base?.newBelt?.length ?? t.drive.beltLength,
            },
            motor.rpm,
          ),
    sound: soundOfSpeed(motor.speed),
    watts: motor.watts,
    wattsNow: motor.wattsNow,
    cost: cost(motor.watts),
    costNow: cost(motor.wattsNow),
  }
}

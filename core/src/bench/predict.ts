import { fanOnSystem, type Fan } from '../air/index.ts'
import { loadByCircuit, operate, type MotorCircuit, type OperatingPoint } from '../machine/index.ts'
import { soundOfSpeed } from '../motion/index.ts'
import { mean, requireMagnitude, requirePositive } from '../quantity/index.ts'
import { beltsCarry } from '../fitted/index.ts'
import { pitchAtTurns } from '../drivetrain/index.ts'
import { bearingsThen, type BearingsTold } from './bearings.ts'
import { learntFrom } from './interval.ts'
import { baseThen, type BaseTold } from './base.ts'
import type { BenchToday, SpeedChange } from './today.ts'

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

/** Magnetising share of the plate amps where no circuit tells it. @source common practice */
const idleShare = { 1: 0.55, 3: 0.4 } as const

/** Fan and duct in shares of today's point, so that they are known without a flow being measured. */
function shares(t: BenchToday, speed: number) {
  const fan: Fan = { wheel: t.wheel?.type ?? 'forward-curved', rpm: 1, flow: 1, pressure: 1, power: 1 }
  const works = fanOnSystem(fan, { fixed: t.fixed, k: 1 - t.fixed }, speed)
  return { air: works.flow, pressure: works.pressure, power: works.power }
}

interface MotorThen {
  readonly rpm: number
  readonly rpmNow: number
  readonly speed: number
  /** Amps then over amps now. */
  readonly amps: number
  readonly load: number | null
  readonly watts: number | null
  readonly wattsNow: number | null
}

const lines = (volts: number) => ({ kind: 'three lines', lineVolts: [volts, volts, volts] }) as const

/** What `operate` calls load: that of the fan at rated speed, which gives this shaft power at the speed it runs. */
function fanLoad(c: MotorCircuit, volts: number, hz: number, share: number): { load: number; point: OperatingPoint } {
  let load = share
  let point = operate(c, lines(volts), load, hz)
  for (let i = 0; i < 12 && point.load > 0 && Math.abs(point.load / share - 1) > 1e-7; i++) {
    load *= share / point.load
    point = operate(c, lines(volts), load, hz)
  }
  return { load, point }
}

/** Through the motor's circuit: the load goes with the fan, the magnetising current does not. */
function byCircuit(t: BenchToday, c: MotorCircuit, ratio: number, hz: number): MotorThen | null {
  const share = loadByCircuit(c, mean(t.legs), t.volts, t.hz)
  if (share === null) return null
  const now = fanLoad(c, t.volts, t.hz, share).point
  // A drive holds volts over hertz up to the plate's; a motor on the line keeps its volts.
  const volts = t.onDrive ? (t.volts * Math.min(hz, c.hz)) / Math.min(t.hz, c.hz) : t.volts
  let rpm = (now.rpm * hz) / t.hz
  let then = now
  for (let i = 0; i < 20; i++) {
    const speed = (ratio * rpm) / now.rpm
    then = fanLoad(c, volts, hz, share * shares(t, speed).power).point
    if (then.rpm === 0) throw new RangeError('speed is more than this motor can carry at all')
    if (Math.abs(then.rpm - rpm) < 1e-6 * rpm) break
    rpm = then.rpm
  }
  return {
    rpm: then.rpm,
    rpmNow: now.rpm,
    speed: (ratio * then.rpm) / now.rpm,
    amps: mean(then.lineAmps) / mean(now.lineAmps),
    load: then.load,
    watts: then.inputWatts,
    wattsNow: now.inputWatts,
  }
}

/** By a magnetising part that stays and a working part that goes with the load, where no circuit is known. */
function byParts(t: BenchToday, ratio: number, hz: number): MotorThen {
  const speed = (ratio * hz) / t.hz
  const amps = mean(t.legs)
  // Amps below what usually only magnetises: this motor magnetises with less.
  const idle = Math.min(idleShare[t.phases] * t.plateAmps, 0.85 * amps)
  const working =
    Math.sqrt(amps * amps - idle * idle) * (t.onDrive ? shares(t, speed).power / (hz / t.hz) : shares(t, speed).power)
  const rpm = (t.plateRpm * hz) / t.hz
  return {
    rpm,
    rpmNow: t.plateRpm,
    speed,
    amps: Math.hypot(idle, working) / amps,
    load: null,
    watts: null,
    wattsNow: null,
  }
}

/** Pitch diameters and hertz after a change. @throws RangeError when the change is none of this machine */
function settingAfter(
  t: BenchToday,
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
export function predict(t: BenchToday, change: SpeedChange): Prediction {
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
  const motor = (t.circuit && byCircuit(t, t.circuit, ratio, after.hz)) ?? byParts(t, ratio, after.hz)
  const share = shares(t, motor.speed)
  const { shift, half, n } = learntFrom(t.misses, motor.speed)
  const scale = motor.amps * Math.exp(shift)
  const amps = mean(t.legs) * scale
  const fanRpmNow = t.fanRpm ?? motor.rpmNow * ratioNow * (t.drive ? 0.99 : 1)
  const rim = (diameter: number, rpm: number) => (Math.PI * diameter * rpm) / 60_000
  const cost = (watts: number | null) => (watts === null ? null : (watts / 1000) * t.hours * t.price)
  const fanRpm = fanRpmNow * motor.speed
  const base = baseThen(t, after)
  return {
    speed: motor.speed,
    motorRpm: motor.rpm,
    fanRpm,
    fanRpmNow,
    legs: t.legs.map((a) => a * scale),
    amps,
    low: amps * Math.exp(-half),
    high: amps * Math.exp(half),
    learnt: n,
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
              centre: base?.centre ?? t.drive.centre,
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

import { fanOnSystem, type Fan } from '../air/index.ts'
import { loadByCircuit, runningAt, type MotorCircuit } from '../machine/index.ts'
import { mean } from '../quantity/index.ts'
import type { DriveToday } from './today.ts'

/** Magnetising share of the plate amps where no circuit tells it. @source common practice */
export const idleShare = { 1: 0.55, 3: 0.4 } as const

/** Fan and duct in shares of today's point, so that they are known without a flow being measured. */
export function shares(t: DriveToday, speed: number) {
  const fan: Fan = { wheel: t.wheel?.type ?? 'forward-curved', rpm: 1, flow: 1, pressure: 1, power: 1 }
  const works = fanOnSystem(fan, { fixed: t.fixed, k: 1 - t.fixed }, speed)
  return { air: works.flow, pressure: works.pressure, power: works.power }
}

export interface MotorThen {
  readonly rpm: number
  readonly rpmNow: number
  readonly speed: number
  /** Amps then over amps now. */
  readonly amps: number
  readonly load: number | null
  readonly watts: number | null
  readonly wattsNow: number | null
}

/** Through the motor's circuit: the load goes with the fan, the magnetising current does not. */
function byCircuit(t: DriveToday, c: MotorCircuit, ratio: number, hz: number): MotorThen | null {
  const share = loadByCircuit(c, mean(t.legs), t.volts, t.hz)
  if (share === null) return null
  const watts = share * c.watts
  const now = runningAt(c, t.volts, t.hz, () => watts)
  if (now === null) return null
  // A drive holds volts over hertz up to the plate's; a motor on the line keeps its volts.
  const volts = t.onDrive ? (t.volts * Math.min(hz, c.hz)) / Math.min(t.hz, c.hz) : t.volts
  const then = runningAt(c, volts, hz, (rpm) => watts * shares(t, (ratio * rpm) / now.rpm).power)
  if (then === null) throw new RangeError('speed is more than this motor can carry at all')
  return {
    rpm: then.rpm,
    rpmNow: now.rpm,
    speed: (ratio * then.rpm) / now.rpm,
    amps: then.amps / now.amps,
    load: then.shaftWatts / c.watts,
    watts: then.inputWatts,
    wattsNow: now.inputWatts,
  }
}

/** By a magnetising part that stays and a working part that goes with the load, where no circuit is known. */
function byParts(t: DriveToday, ratio: number, hz: number, magnetises: number): MotorThen {
  const speed = (ratio * hz) / t.hz
  const amps = mean(t.legs)
  // Amps below what usually only magnetises: this motor magnetises with less.
  const idle = Math.min(magnetises * idleShare[t.phases] * t.plateAmps, 0.85 * amps)
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

/**
 * The motor after a change of its sheaves and hertz: through its circuit where the plate gives one that fits its amps.
 * @param ratio sheave ratio then over now @param hz then @param magnetises with so much of the usual, where no circuit tells
 * @throws RangeError when the motor could not carry it
 */
export const motorThen = (t: DriveToday, ratio: number, hz: number, magnetises = 1): MotorThen =>
  (t.circuit && byCircuit(t, t.circuit, ratio, hz)) ?? byParts(t, ratio, hz, magnetises)

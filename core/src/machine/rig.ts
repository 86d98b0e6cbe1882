import { fanOnSystem, type Fan, type SystemCurve } from '../air/index.ts'
import { mean, requireMagnitude, requirePositive, type ThreePhase } from '../quantity/index.ts'
import type { MotorCircuit } from './circuit.ts'
import { driveInput, type DriveInput } from './drive-input.ts'
import { operate, type MotorSupply, type OperatingPoint } from './operate.ts'
import { staged, type Stage, type Staged } from './stage.ts'
import { backSpin, ductWithTwin, type Twin } from './twin.ts'

/** A belt between motor and fan: pitch diameters in one unit, and how much it can carry before it slips. */
export interface RigBelt {
  readonly driver: number
  readonly driven: number
  /** Watts it carries at its tension; less than the fan asks for and it slips. */
  readonly carries: number
}

/** What may be wrong with a fan assembly besides its supply. Left out, nothing is. */
export interface RigFaults {
  /** The system asks for so many times its pressure: filters, a damper, a door. */
  readonly restriction?: number
  /** Share of its pressure and flow the wheel still makes: dirt. */
  readonly wheel?: number
  /** The wheel is on the wrong way around: with the motor turning right it runs backward. */
  readonly backward?: boolean
  /** Two motor leads are exchanged: it turns the other way. */
  readonly swapped?: boolean
  /** Its shaft does not turn at all. */
  readonly seized?: boolean
  /** Watts a dragging bearing takes at the fan's speed of the point. */
  readonly drag?: number
  /** No belt on it. */
  readonly beltOff?: boolean
  /** Another wheel than it was built with: its diameter over the right one's. */
  readonly otherWheel?: number
  /** The twin fan on the same duct, where there is one. */
  readonly twin?: Twin
  /** Ohms of a winding to ground, where it has become wet or worn through. */
  readonly leakage?: number
}

/** A fan assembly with all that makes its readings. Direct drive: no belt. */
export interface Rig {
  readonly circuit: MotorCircuit
  readonly supply: MotorSupply
  readonly hz: number
  /** Contactor, transformer or drive between the two; left out, it hangs on the line. */
  readonly stage?: Stage
  readonly belt: RigBelt | null
  readonly fan: Fan
  readonly system: SystemCurve
  /** Density of the air over standard. */
  readonly density: number
  readonly faults?: RigFaults
  /** Left out, it is met running; from a standstill it may not get away. */
  readonly from?: 'standstill'
}

/** What meters would read on a rig, and where its power goes. Watts, rpm, m³/s, pascals. */
export interface RigPoint {
  readonly motor: OperatingPoint
  readonly fanRpm: number
  readonly flow: number
  readonly pressure: number
  readonly fanWatts: number
  readonly beltWatts: number
  readonly dragWatts: number
  /** Share of the fan's speed lost by the belt. */
  readonly beltSlip: number
  /** What the motor gets, and volts lost on each pole. */
  readonly hz: number
  readonly drop: ThreePhase
  /** What a drive takes from the line; null without one. */
  readonly driveInput: DriveInput | null
  /** The drive holds back below its set hertz. */
  readonly holdsBack: boolean
  /** Amps that run off to ground. */
  readonly groundAmps: number
  /** Speed of the twin's wheel: below zero it spins backwards in this one's air. */
  readonly twinRpm: number
}

/** Bending and windage of a V-belt. @source common practice: belts give 93 to 98 % on */
const bending = 0.03

/** Creep under its load; past what it carries it slips fast. @source shape of slip curves; figures of this model */
const slipOf = (asked: number, carries: number): number => {
  const share = carries > 0 ? asked / carries : Infinity
  return Math.min(0.7, 0.01 * Math.min(1, share) + 0.3 * Math.max(0, share - 1))
}

/** A backward wheel of curved blades moves some air and takes some power. @source common practice */
const backwardShare = { flow: 0.5, pressure: 0.25, power: 0.45 } as const

/** The fan as its faults leave it. */
function wornFan(fan: Fan, f: RigFaults): Fan {
  const w = f.wheel ?? 1
  requirePositive('wheel', w)
  const back = (f.backward ?? false) !== (f.swapped ?? false) ? backwardShare : { flow: 1, pressure: 1, power: 1 }
  const size = f.otherWheel ?? 1
  requirePositive('otherWheel', size)
  return {
    ...fan,
    flow: fan.flow * w * back.flow * size ** 3,
    pressure: fan.pressure * w * back.pressure * size ** 2,
    power: fan.power * w * w * back.power * size ** 5,
  }
}

const inputOf = (supply: MotorSupply, watts: number): DriveInput =>
  supply.kind === 'three lines'
    ? driveInput(supply.lineVolts, Math.max(0, watts))
    : driveInput([supply.volts, supply.volts, supply.volts], Math.max(0, watts), supply.open)

/** A load no motor moves. */
const immovable = 1e6

/** Leak to ground, amperes: the volts of a phase over what is left of the insulation. @source Ohm */
const leakOf = (volts: number, ohms: number | undefined): number =>
  ohms === undefined ? 0 : volts / Math.sqrt(3) / Math.max(1, ohms)

/** Motor, belt, fan and duct at one output of the stage. */
function settle(rig: Rig, hz: number): RigPoint {
  const { circuit, belt } = rig
  const faults = rig.faults ?? {}
  const fan = wornFan(rig.fan, faults)
  const k = faults.restriction ?? 1
  requirePositive('restriction', k)
  const system = ductWithTwin({ fixed: rig.system.fixed, k: rig.system.k * k }, faults.twin ?? null)
  const ratio = belt ? belt.driver / belt.driven : 1
  /** Fan and belt at a speed of the motor: the belt slips as far as makes what it is asked for what it can carry. */
  const driven = (motorRpm: number) => {
    const at = (slip: number) => {
      const fanRpm = motorRpm * ratio * (1 - slip)
      const works = fanOnSystem(fan, system, fanRpm, rig.density)
      const dragWatts = ((faults.drag ?? 0) * fanRpm) / rig.fan.rpm
      return { slip, fanRpm, works, dragWatts, asked: works.power + dragWatts }
    }
    if (!belt) return at(0)
    let low = 0
    let high = 0.7
    for (let i = 0; i < 44; i++) {
      const middle = (low + high) / 2
      if (slipOf(at(middle).asked, belt.carries) > middle) low = middle
      else high = middle
    }
    return at((low + high) / 2)
  }
  const beyond = (motor: OperatingPoint, stage: Staged) => ({
    motor,
    hz: stage.hz,
    drop: stage.drop,
    driveInput: rig.stage?.kind === 'drive' ? inputOf(rig.supply, motor.inputWatts) : null,
    holdsBack: false,
    groundAmps: leakOf(mean(motor.terminalVolts), faults.leakage),
  })
  let load = 0.5
  let amps: ThreePhase = [0, 0, 0]
  for (let i = 0; i < 40; i++) {
    const stage = staged(circuit, rig.supply, rig.hz, rig.stage ?? null, amps, hz)
    const asks = faults.seized ? immovable : faults.beltOff ? 0 : load
    const motor = operate(circuit, stage.supply, asks, stage.hz, rig.from)
    if (faults.beltOff || motor.rpm === 0)
      return {
        ...beyond(motor, stage),
        fanRpm: 0,
        flow: 0,
        pressure: 0,
        fanWatts: 0,
        beltWatts: 0,
        dragWatts: 0,
        beltSlip: faults.beltOff && motor.turning ? 1 : 0,
        twinRpm: 0,
      }
    const { slip, fanRpm, works, dragWatts, asked } = driven(motor.rpm)
    // What the belt takes in, it gives on but for its slip and its bending.
    const taken = belt ? asked / ((1 - slip) * (1 - bending)) : asked
    const next = taken / (circuit.watts * (motor.rpm / circuit.rpm) ** 3)
    const moved = Math.max(...motor.lineAmps.map((a, n) => Math.abs(a - (amps[n] ?? 0))))
    amps = motor.lineAmps
    if (Math.abs(next - load) <= 1e-6 * Math.max(next, 0.01) && (rig.stage?.kind !== 'contactor' || moved < 1e-4))
      return {
        ...beyond(motor, stage),
        fanRpm,
        flow: works.flow,
        pressure: works.pressure,
        fanWatts: works.power,
        beltWatts: taken - asked,
        dragWatts,
        beltSlip: slip,
        twinRpm: backSpin(faults.twin ?? null, fanRpm, works.pressure, rig.fan.pressure),
      }
    load = next
  }
  throw new RangeError('rig does not settle')
}

/**
 * Solve supply, stage, motor, belt, fan and duct together: the load the motor is given is the one the fan asks for at the
 * speed the motor then runs; a drive over its limit holds back until it is at it.
 * @throws RangeError when a part of the rig is out of range
 * @source equivalent circuit, belt slip, fan laws on the wheel's curve, system curve; fixed-point iteration
 */
export function solveRig(rig: Rig): RigPoint {
  const { belt, stage } = rig
  requireMagnitude('drag', rig.faults?.drag ?? 0)
  requireMagnitude('leakage', rig.faults?.leakage ?? 0)
  if (belt) {
    requirePositive('driver', belt.driver)
    requirePositive('driven', belt.driven)
    requireMagnitude('carries', belt.carries)
  }
  if (stage?.kind !== 'drive') return settle(rig, rig.hz)
  let point = settle(rig, stage.hz)
  if (!point.motor.turning || mean(point.motor.lineAmps) <= stage.limit) return point
  let hz = stage.hz
  for (let i = 0; i < 12; i++) {
    const over = mean(point.motor.lineAmps) / stage.limit
    if (Math.abs(over - 1) < 1e-3) break
    // Amps of a fan go about with the square of its speed there.
    hz = Math.max(0.05 * stage.hz, Math.min(stage.hz, hz * over ** -0.6))
    point = settle(rig, hz)
    if (!point.motor.turning) break
  }
  return { ...point, holdsBack: true }
}

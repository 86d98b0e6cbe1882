import { codeLetter } from '../electrical/index.ts'
import { polesOf, type Plate } from '../plate/index.ts'
import { requirePositive } from '../quantity/index.ts'
import type { MotorCircuit } from './circuit.ts'
import { complex, divide, multiply, polar, size, subtract } from './complex.ts'
import { typicalMotor } from './typical.ts'

/** What the estimate needs: one column of a plate. Watts of the shaft, line volts, amperes. */
export interface RatedPoint {
  readonly watts: number
  readonly volts: number
  readonly amps: number
  readonly hz: number
  readonly poles: number
  readonly rpm: number
  readonly efficiency: number
  /** Locked-rotor kVA per horsepower. */
  readonly lockedKvaPerHp: number
  /** Share of the leakage that lies in the stator: 0.4 for design B. */
  readonly statorShare: number
}

export interface Estimate {
  readonly circuit: MotorCircuit
  readonly powerFactor: number
  readonly lossWatts: number
  readonly statorCopper: number
  readonly rotorCopper: number
  readonly lockedAmps: number
}

// Shares of the full-load loss that the estimate puts down to iron and to friction, windage and stray.
const coreShare = 0.2
const mechanicalShare = 0.26

/**
 * Equivalent circuit from a rated point: the loss is split, the leakage comes from the locked rotor, the rotor from the
 * air-gap power, the shunt from what is left of the current. Gives back the rated point exactly.
 * Good for the running range; deep bars and saturation make its standstill wrong.
 * @returns null when the figures contradict each other: no power factor below one, or no room for the copper loss
 * @throws RangeError when a figure is not above zero
 * @source a defined procedure; the loss split is common practice, the leakage ratio that of IEEE 112
 */
export function estimateCircuit(p: RatedPoint): Estimate | null {
  for (const [name, value] of Object.entries(p)) requirePositive(name, value as number)
  const ns = (120 * p.hz) / p.poles
  const slip = (ns - p.rpm) / ns
  if (slip <= 0 || slip > 0.25) return null
  const input = p.watts / p.efficiency
  const powerFactor = input / (Math.sqrt(3) * p.volts * p.amps)
  const loss = input - p.watts
  if (powerFactor >= 0.985 || powerFactor < 0.2 || loss <= 0) return null
  const rotational = mechanicalShare * loss
  const airGap = (p.watts + rotational) / (1 - slip)
  const rotorCopper = slip * airGap
  const statorCopper = loss - coreShare * loss - rotational - rotorCopper
  if (statorCopper <= 0.05 * loss) return null
  const r1 = statorCopper / (3 * p.amps ** 2)
  const phase = p.volts / Math.sqrt(3)
  const lockedAmps = (p.lockedKvaPerHp * (p.watts / 745.7) * 1000) / (Math.sqrt(3) * p.volts)
  const locked = phase / lockedAmps
  const i1 = polar(p.amps, (-Math.acos(powerFactor) * 180) / Math.PI)
  let r2 = 0
  let x1 = 0
  let x2 = 0
  let e = complex(phase)
  for (let i = 0; i < 30; i++) {
    const square = locked ** 2 - (r1 + r2) ** 2
    if (square <= 0) return null
    x1 = p.statorShare * Math.sqrt(square)
    x2 = (1 - p.statorShare) * Math.sqrt(square)
    e = subtract(complex(phase), multiply(i1, complex(r1, x1)))
    const e2 = 3 * size(e) ** 2
    const root = e2 ** 2 - 4 * airGap ** 2 * x2 ** 2
    if (root <= 0) return null
    r2 = (slip * (e2 + Math.sqrt(root))) / (2 * airGap)
  }
  const i2 = divide(e, complex(r2 / slip, x2))
  const shunt = divide(subtract(i1, i2), e)
  if (shunt.im >= 0) return null
  return {
    circuit: {
      r1,
      x1,
      r2,
      x2,
      xm: -1 / shunt.im,
      rc: shunt.re > 1e-9 ? 1 / shunt.re : null,
      rotationalWatts: rotational,
      poles: p.poles,
      hz: p.hz,
      volts: p.volts,
      watts: p.watts,
      rpm: p.rpm,
    },
    powerFactor,
    lossWatts: loss,
    statorCopper,
    rotorCopper,
    lockedAmps,
  }
}

const statorShares: Record<string, number> = { A: 0.5, B: 0.4, C: 0.3, D: 0.5 }

/** A circuit out of a plate, with what had to be assumed. */
export interface PlateCircuit extends Estimate {
  readonly assumed: readonly ('efficiency' | 'speed' | 'locked rotor')[]
}

/**
 * The circuit of a three-phase plate at one of its columns. What the plate does not say is taken from ordinary motors of
 * its size and named in `assumed`.
 * @param column volts and amps of the column in use
 * @returns null when the plate gives no power, is no three-phase one, or contradicts itself
 */
export function circuitOfPlate(
  plate: Plate,
  column: { readonly volts: number; readonly amps: number },
  hz: number,
): PlateCircuit | null {
  if (plate.power === undefined || plate.phases === 1 || !(column.volts > 0) || !(column.amps > 0)) return null
  const watts = plate.power * (plate.powerUnit === 'kW' ? 1000 : 745.7)
  const hp = watts / 745.7
  const typical = typicalMotor(hp)
  const assumed: ('efficiency' | 'speed' | 'locked rotor')[] = []
  const poles = plate.rpm === undefined ? 4 : polesOf(hz, plate.rpm)
  if (poles === null) return null
  if (plate.rpm === undefined) assumed.push('speed')
  const rpm = plate.rpm ?? ((120 * hz) / poles) * (1 - typical.slip)
  const fromPf =
    plate.powerFactor === undefined ? null : watts / (Math.sqrt(3) * column.volts * column.amps * plate.powerFactor)
  const printed = plate.efficiency ?? (fromPf !== null && fromPf > 0.3 && fromPf < 0.99 ? fromPf : null)
  if (printed === null) assumed.push('efficiency')
  const letter = plate.code === undefined ? null : codeLetter(plate.code)
  if (!letter || letter.to === null) assumed.push('locked rotor')
  const lockedKvaPerHp = letter && letter.to !== null ? (letter.from + letter.to) / 2 : typical.lockedKvaPerHp
  const estimate = estimateCircuit({
    watts,
    volts: column.volts,
    amps: column.amps,
    hz,
    poles,
    rpm,
    efficiency: printed ?? typical.efficiency,
    lockedKvaPerHp: Math.max(lockedKvaPerHp, 1),
    statorShare: statorShares[plate.design?.toUpperCase() ?? 'B'] ?? 0.4,
  })
  return estimate ? { ...estimate, assumed } : null
}

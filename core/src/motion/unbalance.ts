import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** Balance grade of a fan category, mm/s. @source ISO 14694 */
export const balanceGrade = { 'BV-1': 16, 'BV-2': 16, 'BV-3': 6.3, 'BV-4': 2.5, 'BV-5': 1 } as const

/**
 * Permissible unbalance of a wheel.
 * @param grade mm/s @param mass kg @param rpm above zero
 * @returns unbalance in g·mm (half of it per plane), eccentricity in µm, force it makes in N
 * @source ISO 21940-11: e ω = G; U = 9549 G m / n; F = U ω²
 */
export function permissibleUnbalance(grade: number, mass: number, rpm: number) {
  requirePositive('grade', grade)
  requirePositive('mass', mass)
  requirePositive('rpm', rpm)
  const w = (2 * Math.PI * rpm) / 60
  const unbalance = (1000 * grade * mass) / w
  return { unbalance, eccentricity: unbalance / mass, force: unbalance * 1e-6 * w * w }
}

/** A vibration with its phase: size in any unit, degrees. */
export interface Vector {
  readonly size: number
  readonly degrees: number
}

const re = (v: Vector) => v.size * Math.cos((v.degrees * Math.PI) / 180)
const im = (v: Vector) => v.size * Math.sin((v.degrees * Math.PI) / 180)
const vector = (x: number, y: number): Vector => ({
  size: Math.hypot(x, y),
  degrees: ((Math.atan2(y, x) * 180) / Math.PI + 360) % 360,
})

/**
 * One-plane balancing by a trial weight.
 * @param original vibration @param withTrial vibration with the trial weight on @param trial weight and where it sat
 * @returns influence per unit of weight, and the correction once the trial is taken off
 * @throws RangeError when the trial changed nothing
 * @source influence coefficient: α = (V1 − V0)/W, correction −V0/α
 */
export function singlePlane(original: Vector, withTrial: Vector, trial: Vector) {
  requirePositive('trial', trial.size)
  requireMagnitude('original', original.size)
  const change = vector(re(withTrial) - re(original), im(withTrial) - im(original))
  if (change.size < 1e-9) throw new RangeError('withTrial is the same as without: the trial weight did nothing')
  const turn = (d: number) => ((d % 360) + 360) % 360
  const influence = { size: change.size / trial.size, degrees: turn(change.degrees - trial.degrees) }
  return {
    influence,
    correction: {
      size: original.size / influence.size,
      degrees: turn(original.degrees + 180 - influence.degrees),
    },
  }
}

/** Belt's turns a second. @param pitch diameter and belt length in one unit @source π d n / L */
export function beltHertz(pitch: number, rpm: number, length: number): number {
  requirePositive('pitch', pitch)
  requireMagnitude('rpm', rpm)
  requirePositive('length', length)
  return (Math.PI * pitch * rpm) / (60 * length)
}

/** What a measured frequency is nearest to, of those a belt-driven fan makes. */
export interface Suspect {
  readonly id: string
  readonly words: string
  readonly hertz: number
}

export function suspects(d: {
  readonly fanRpm: number
  readonly motorRpm: number
  readonly supplyHz: number
  readonly beltHz?: number | undefined
  readonly blades?: number | undefined
}): Suspect[] {
  const fan = d.fanRpm / 60
  const motor = d.motorRpm / 60
  return [
    { id: 'fan 1x', words: 'once a turn of the fan: unbalance, dirt, a bent shaft', hertz: fan },
    { id: 'fan 2x', words: 'twice a turn of the fan: looseness, misalignment', hertz: 2 * fan },
    { id: 'motor 1x', words: 'once a turn of the motor: its sheave or rotor', hertz: motor },
    { id: 'motor 2x', words: 'twice a turn of the motor: misalignment, a loose foot', hertz: 2 * motor },
    {
      id: 'electrical',
      words: 'twice the supply: electrical, it goes the moment the power is off',
      hertz: 2 * d.supplyHz,
    },
    ...(d.beltHz === undefined
      ? []
      : [
          { id: 'belt 1x', words: 'once a turn of the belt: a lump or a set belt', hertz: d.beltHz },
          { id: 'belt 2x', words: 'twice a turn of the belt: worn or mismatched belts', hertz: 2 * d.beltHz },
        ]),
    ...(d.blades === undefined
      ? []
      : [{ id: 'blade pass', words: 'blades passing: an obstruction or cut-off too near', hertz: d.blades * fan }]),
  ]
}

/** The suspect nearest to a frequency, within a share of it; null when none is. */
export function nameFrequency(hertz: number, among: readonly Suspect[], within = 0.05): Suspect | null {
  requirePositive('hertz', hertz)
  const near = among
    .filter((s) => s.hertz > 0 && Math.abs(s.hertz - hertz) / hertz <= within)
    .sort((a, b) => Math.abs(a.hertz - hertz) - Math.abs(b.hertz - hertz))
  return near[0] ?? null
}

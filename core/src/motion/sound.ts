import { requirePositive } from '../quantity/index.ts'

const power = (level: number) => 10 ** (level / 10)

/** Levels together, dB. @throws RangeError when there is none */
export function sumLevels(levels: readonly number[]): number {
  if (levels.length === 0) throw new RangeError('levels must not be empty')
  return 10 * Math.log10(levels.reduce((s, l) => s + power(l), 0))
}

/** The level whose sound is the mean of these: of one fan at several spots, dB. @throws RangeError when there is none */
export const averageLevel = (levels: readonly number[]): number => sumLevels(levels) - 10 * Math.log10(levels.length)

/** The source alone, with the background taken off; null when it lies within 3 dB of it. */
export function withoutBackground(total: number, background: number): number | null {
  return total - background < 3 ? null : 10 * Math.log10(power(total) - power(background))
}

/** Level at another distance of a small source in the open, dB. @source −20 log(r2/r1) */
export function atDistance(level: number, from: number, to: number): number {
  requirePositive('from', from)
  requirePositive('to', to)
  return level - 20 * Math.log10(to / from)
}

/** Change of a fan's level with its speed, dB. @source 50 log(n2/n1), same point of rating */
export function soundOfSpeed(speed: number): number {
  requirePositive('speed', speed)
  return 50 * Math.log10(speed)
}

const rules = {
  NIOSH: { at: 85, exchange: 3, from: 80, scale: 10 },
  OSHA: { at: 90, exchange: 5, from: 90, scale: 16.61 },
  'OSHA action level': { at: 90, exchange: 5, from: 80, scale: 16.61 },
} as const
export type ExposureRule = keyof typeof rules

/** Hours a level may be borne in a day. @source NIOSH REL; OSHA 29 CFR 1910.95 */
export const hoursAllowed = (level: number, rule: ExposureRule): number =>
  8 / 2 ** ((level - rules[rule].at) / rules[rule].exchange)

/**
 * Dose of a day and its eight-hour level.
 * @returns dose as a fraction: 1 is all a day allows
 * @throws RangeError when hours are below zero
 */
export function exposure(parts: readonly { readonly level: number; readonly hours: number }[], rule: ExposureRule) {
  for (const p of parts) if (!(p.hours >= 0)) throw new RangeError('hours must not be below zero')
  if (parts.reduce((sum, p) => sum + p.hours, 0) > 24 + 1e-9) throw new RangeError('hours add up to more than a day')
  const dose = parts
    .filter((p) => p.level >= rules[rule].from)
    .reduce((s, p) => s + p.hours / hoursAllowed(p.level, rule), 0)
  return { dose, average: dose === 0 ? 0 : rules[rule].scale * Math.log10(dose) + rules[rule].at }
}

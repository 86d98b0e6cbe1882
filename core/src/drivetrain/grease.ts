import { requirePositive } from '../quantity/index.ts'

/** What shortens the time between greasings. @source formula: handbooks; factors to be verified */
export const greaseFactors = {
  type: { ball: 10, 'cylindrical roller': 5, 'spherical roller': 1 },
  heat: { 'under 65 °C': 1, '65 to 80 °C': 0.5, '80 to 93 °C': 0.2, 'over 93 °C': 0.1 },
  dirt: { clean: 1, light: 0.7, abrasive: 0.4, heavy: 0.2 },
  wet: { dry: 1, humid: 0.7, condensing: 0.4, 'water on it': 0.1 },
  vibration: { smooth: 1, moderate: 0.6, rough: 0.3 },
  shaft: { horizontal: 1, sloping: 0.5, vertical: 0.3 },
} as const
export interface GreaseConditions {
  readonly type: keyof typeof greaseFactors.type
  readonly heat: keyof typeof greaseFactors.heat
  readonly dirt: keyof typeof greaseFactors.dirt
  readonly wet: keyof typeof greaseFactors.wet
  readonly vibration: keyof typeof greaseFactors.vibration
  readonly shaft: keyof typeof greaseFactors.shaft
}

/** Not longer than a year, whatever the formula says of small slow bearings. @source common practice */
export const greaseAtMostHours = 8760

/**
 * Hours between greasings.
 * @param bore millimetres @param rpm above zero
 * @returns `hours` as scheduled, at most a year; `byFormula` uncapped, never below zero
 * @throws RangeError when bore or speed is not above zero
 * @source t = K [14·10⁶/(n √d) − 4 d]
 */
export function greaseInterval(
  bore: number,
  rpm: number,
  c: GreaseConditions,
): { hours: number; byFormula: number; factor: number } {
  requirePositive('bore', bore)
  requirePositive('rpm', rpm)
  const factor =
    greaseFactors.type[c.type] *
    greaseFactors.heat[c.heat] *
    greaseFactors.dirt[c.dirt] *
    greaseFactors.wet[c.wet] *
    greaseFactors.vibration[c.vibration] *
    greaseFactors.shaft[c.shaft]
  const byFormula = Math.max(0, factor * (14e6 / (rpm * Math.sqrt(bore)) - 4 * bore))
  return { hours: Math.min(byFormula, greaseAtMostHours), byFormula, factor }
}

/** Grease for one bearing, grams. @param outside diameter @param width in millimetres @source G = 0.005 D B */
export function greaseGrams(outside: number, width: number): number {
  requirePositive('outside', outside)
  requirePositive('width', width)
  return 0.005 * outside * width
}

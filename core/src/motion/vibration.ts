import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** mm/s r.m.s. from in/s peak. */
export const rmsFromInchPeak = (peak: number): number => (peak * 25.4) / Math.SQRT2
/** in/s peak from mm/s r.m.s. */
export const inchPeakFromRms = (rms: number): number => (rms * Math.SQRT2) / 25.4

/** Displacement of a sine, thousandths of an inch peak to peak. @param velocity in/s peak @param hz its frequency */
export function displacementOf(velocity: number, hz: number): number {
  requireMagnitude('velocity', velocity)
  requirePositive('hz', hz)
  return (1000 * velocity) / (Math.PI * hz)
}

/** Acceleration of a sine, g peak. @param velocity in/s peak @param hz its frequency @source standard gravity, 386.09 in/s² */
export function accelerationOf(velocity: number, hz: number): number {
  requireMagnitude('velocity', velocity)
  requirePositive('hz', hz)
  return (2 * Math.PI * hz * velocity) / (9.80665 / 0.0254)
}

export const fanCategories = ['BV-1', 'BV-2', 'BV-3', 'BV-4', 'BV-5'] as const
export type FanCategory = (typeof fanCategories)[number]
export type Mounting = 'rigid' | 'flexible'

/** Limits of a fan in its place, in/s peak: start-up, alarm, shutdown, each rigid then flexible; null: from history. */
const limits: Readonly<Record<FanCategory, readonly (number | null)[]>> = {
  'BV-1': [0.55, 0.6, 0.6, 0.75, null, null],
  'BV-2': [0.3, 0.5, 0.5, 0.75, null, null],
  'BV-3': [0.25, 0.35, 0.4, 0.65, 0.5, 0.7],
  'BV-4': [0.16, 0.25, 0.25, 0.4, 0.4, 0.6],
  'BV-5': [0.1, 0.16, 0.2, 0.3, 0.3, 0.4],
}

/** Category of a building's fan by its motor. @param watts shaft power @source ISO 14694, from memory */
export const ventilationCategory = (watts: number): FanCategory =>
  watts <= 150 ? 'BV-1' : watts <= 3700 ? 'BV-2' : 'BV-3'

/** Limits in mm/s r.m.s.; `shutdown` null where it is set from history. @source ISO 14694 and AMCA 204, from memory */
export function fanLimits(category: FanCategory, mounting: Mounting) {
  const at = (i: number) => {
    const peak = limits[category][2 * i + (mounting === 'rigid' ? 0 : 1)] ?? null
    return peak === null ? null : rmsFromInchPeak(peak)
  }
  return { startUp: at(0) ?? 0, alarm: at(1) ?? 0, shutdown: at(2) }
}

/**
 * Velocity at which a fan is taken off, mm/s r.m.s.: its shutdown, and where ISO 14694 leaves that to the fan's own history a
 * quarter over the alarm.
 * @source ISO 14694; the trip of ISO 20816 at 1.25 of the alarm, from memory
 */
export function takenOffAt(category: FanCategory, mounting: Mounting): number {
  const { alarm, shutdown } = fanLimits(category, mounting)
  return shutdown ?? 1.25 * alarm
}

/** Where a velocity stands against the limits of a fan. @param rms mm/s @throws RangeError when it is below zero */
export function fanVibration(rms: number, category: FanCategory, mounting: Mounting) {
  requireMagnitude('rms', rms)
  const l = fanLimits(category, mounting)
  const stands =
    l.shutdown !== null && rms > l.shutdown
      ? 'shutdown'
      : rms > l.alarm
        ? 'alarm'
        : rms > l.startUp
          ? 'above start-up'
          : 'as new'
  return { ...l, stands } as const
}

import { bladeStandIn, type Blade } from '../../air/index.ts'
import type { Measured } from './point.ts'

/** Diameter, count and pitch of one side, where each was measured. */
function blade(last: (point: string) => Measured | undefined, side: 'old' | 'now'): Blade | null {
  const [diameter, blades, pitch] = ['diameter', 'blades', 'pitch'].map((p) => last(p)?.[side])
  return typeof diameter === 'number' && typeof blades === 'number' && typeof pitch === 'number'
    ? { diameter, blades, pitch }
    : null
}

/**
 * What the motor will carry with the new blade: what it runs at by what the two blades take. Nobody types it: it is worked
 * out wherever it is looked at.
 * @returns undefined where a figure is missing, or no blade has it
 */
export function bladeLoad(last: (point: string) => Measured | undefined): Measured | undefined {
  const load = last('load')?.old
  const [old, now] = [blade(last, 'old'), blade(last, 'now')]
  if (typeof load !== 'number' || !(load > 0) || !old || !now) return undefined
  try {
    return { point: 'load', old: load, now: Math.round(load * bladeStandIn(old, now).power) }
  } catch (e) {
    if (e instanceof RangeError) return undefined // no blade has these figures
    throw e
  }
}

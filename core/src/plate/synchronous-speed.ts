import { requirePositive } from '../quantity/index.ts'

/**
 * Synchronous speed, 120 f / poles, in rpm.
 * @throws RangeError when hz is not above zero or poles is not an even whole number from 2
 */
export function synchronousSpeed(hz: number, poles: number): number {
  requirePositive('hz', hz)
  if (!Number.isInteger(poles) || poles < 2 || poles % 2 !== 0)
    throw new RangeError('poles must be an even whole number from 2')
  return (120 * hz) / poles
}

/**
 * The poles a plate speed belongs to: the slowest synchronous speed still above it, with at most 16 poles.
 * @returns null when the speed is at or above the two-pole synchronous speed or below what 16 poles give
 */
export function polesOf(hz: number, rpm: number): number | null {
  requirePositive('hz', hz)
  requirePositive('rpm', rpm)
  for (let poles = 16; poles >= 2; poles -= 2) {
    const ns = synchronousSpeed(hz, poles)
    if (rpm < ns) return rpm > ns * 0.75 ? poles : null
  }
  return null
}

import { requirePositive } from '../quantity/index.ts'

export interface OverloadSetting {
  /** Greatest setting of the overload relay, amperes. */
  readonly setting: number
  /** Never above this, even when the motor will not start, amperes. */
  readonly greatest: number
}

/**
 * Overload relay setting for a continuous motor over 1 hp.
 * @param plateAmps nameplate amps of the column in use, amperes
 * @param serviceFactor as marked; 1 when not marked @param rise marked temperature rise, °C; left out where there is none
 * @throws RangeError when an argument is not above zero
 * @source NEC 430.32(A)(1) and (C)
 */
export function overloadSetting(plateAmps: number, serviceFactor: number, rise?: number): OverloadSetting {
  requirePositive('plateAmps', plateAmps)
  requirePositive('serviceFactor', serviceFactor)
  if (rise !== undefined) requirePositive('rise', rise)
  const generous = serviceFactor >= 1.15 || (rise !== undefined && rise <= 40)
  return { setting: plateAmps * (generous ? 1.25 : 1.15), greatest: plateAmps * (generous ? 1.4 : 1.3) }
}

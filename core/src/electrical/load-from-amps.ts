import { requireMagnitude, requirePositive } from '../quantity/index.ts'

export interface LoadFromAmps {
  /** Shaft load as a fraction of rated, or null when the current is at or below no-load. */
  readonly load: number | null
  readonly form: 'ratio' | 'square root' | 'linear'
}

/**
 * Load by the plain ratio, corrected for volts: (I / In)(V / Vn). Overstates the load below about 60 %.
 * @throws RangeError when an argument is not a finite magnitude
 * @source the form printed in public motor-load guides
 */
export function loadByRatio(amps: number, plateAmps: number, volts: number, plateVolts: number): LoadFromAmps {
  requireMagnitude('amps', amps)
  requirePositive('plateAmps', plateAmps)
  requirePositive('volts', volts)
  requirePositive('plateVolts', plateVolts)
  return { load: (amps / plateAmps) * (volts / plateVolts), form: 'ratio' }
}

/**
 * Load with the no-load current known: √[(I² − I0²) / (In² − I0²)].
 * @returns load null at or below the no-load current
 * @throws RangeError when noLoadAmps is not below plateAmps
 * @source derived: torque current in quadrature with a constant magnetising current
 */
export function loadByRoot(amps: number, plateAmps: number, noLoadAmps: number): LoadFromAmps {
  requireMagnitude('amps', amps)
  requirePositive('plateAmps', plateAmps)
  requireMagnitude('noLoadAmps', noLoadAmps)
  if (noLoadAmps >= plateAmps) throw new RangeError('noLoadAmps must be below the nameplate amps')
  if (amps <= noLoadAmps) return { load: null, form: 'square root' }
  return { load: Math.sqrt((amps ** 2 - noLoadAmps ** 2) / (plateAmps ** 2 - noLoadAmps ** 2)), form: 'square root' }
}

/**
 * Load by the straight line above half load: (2I − I0) / (2In − I0).
 * @returns load null at or below the no-load current
 * @throws RangeError when noLoadAmps is not below plateAmps
 * @source printed in motor handbooks (from memory)
 */
export function loadByLine(amps: number, plateAmps: number, noLoadAmps: number): LoadFromAmps {
  const { load } = loadByRoot(amps, plateAmps, noLoadAmps)
  if (load === null) return { load, form: 'linear' }
  return { load: (2 * amps - noLoadAmps) / (2 * plateAmps - noLoadAmps), form: 'linear' }
}

import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** A duct system: pressure = fixed + k flow². */
export interface SystemCurve {
  readonly fixed: number
  readonly k: number
}

/**
 * The system through one measured point.
 * @param fixed pressure that does not go with the flow: a room held at pressure, a damper that controls
 * @throws RangeError when the flow is not above zero or the point lies below the fixed part
 */
export function systemThrough(flow: number, pressure: number, fixed = 0): SystemCurve {
  requirePositive('flow', flow)
  requireMagnitude('pressure', pressure)
  if (pressure < fixed) throw new RangeError('pressure must not be below its fixed part')
  return { fixed, k: (pressure - fixed) / flow ** 2 }
}

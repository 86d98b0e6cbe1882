import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** Power in the air, watts. @param flow m³/s @param pressure total or static, pascals @source P = Q p */
export function airPower(flow: number, pressure: number): number {
  requireMagnitude('flow', flow)
  requireMagnitude('pressure', pressure)
  return flow * pressure
}

/** Shaft power of a fan, watts. @param efficiency of that pressure, 0 to 1 */
export function fanPower(flow: number, pressure: number, efficiency: number): number {
  if (!(efficiency > 0 && efficiency <= 1)) throw new RangeError('efficiency must lie above 0 and at most 1')
  return airPower(flow, pressure) / efficiency
}

/** Power a motor gives so that the fan has its own, watts. @param beltEfficiency 0.93 to 0.98 (common practice) */
export function motorPower(fanWatts: number, beltEfficiency = 0.95): number {
  requireMagnitude('fanWatts', fanWatts)
  requirePositive('beltEfficiency', beltEfficiency)
  return fanWatts / Math.min(1, beltEfficiency)
}

import { requireMagnitude } from '../quantity/index.ts'

/** Power in the air, watts. @param flow m³/s @param pressure total or static, pascals @source P = Q p */
export function airPower(flow: number, pressure: number): number {
  requireMagnitude('flow', flow)
  requireMagnitude('pressure', pressure)
  return flow * pressure
}

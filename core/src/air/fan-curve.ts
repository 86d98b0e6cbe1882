import { requireMagnitude, requirePositive } from '../quantity/index.ts'
import type { WheelType } from './restriction.ts'
import type { SystemCurve } from './system.ts'

/** A fan by one point of its curve: m³/s, pascals and watts at a speed, in standard air. */
export interface Fan {
  readonly wheel: WheelType
  readonly rpm: number
  readonly flow: number
  readonly pressure: number
  readonly power: number
}

type Quadratic = readonly [number, number, number]

/**
 * Pressure and power over the flow, each as a share of the given point: constant, linear and square part.
 * @source shapes of the three kinds as fan handbooks draw them, put into quadratics here: forward-curved power rises all
 * the way, backward-inclined has its greatest just past the point, a propeller's is greatest shut off
 */
const shapes: Readonly<Record<WheelType, { readonly pressure: Quadratic; readonly power: Quadratic }>> = {
  'forward-curved': { pressure: [1.1, 0.25, -0.35], power: [0.25, 0.3, 0.45] },
  'backward-inclined': { pressure: [1.35, 0, -0.35], power: [0.55, 0.85, -0.4] },
  propeller: { pressure: [2, 0, -1], power: [1.6, -0.6, 0] },
}
const at = ([a, b, c]: Quadratic, q: number) => a + b * q + c * q * q

/** Where a fan works on a system. */
export interface FanWorks {
  readonly flow: number
  readonly pressure: number
  readonly power: number
}

/**
 * The point at which a fan and a system meet, at a speed and a density.
 * @param density ratio to the air the fan's point was given in
 * @throws RangeError when the fan, the speed or the density is not above zero, or its system not open
 * @source fan laws on the curve, and its crossing with the system
 */
export function fanOnSystem(fan: Fan, system: SystemCurve, rpm: number, density = 1): FanWorks {
  requirePositive('fan.rpm', fan.rpm)
  requirePositive('fan.flow', fan.flow)
  requirePositive('fan.pressure', fan.pressure)
  requirePositive('fan.power', fan.power)
  requireMagnitude('rpm', rpm)
  requirePositive('density', density)
  requireMagnitude('system.k', system.k)
  if (rpm === 0) return { flow: 0, pressure: 0, power: 0 }
  const { pressure: p, power: w } = shapes[fan.wheel]
  const n = rpm / fan.rpm
  const stalled = fan.pressure * n * n * density
  // Fan and system are both quadratics in the flow: they cross once where the fan has more than what is fixed.
  const [a, b, c] = p
  const square = stalled * c - system.k * (fan.flow * n) ** 2
  const constant = stalled * a - system.fixed
  const share =
    constant <= 0 ? 0 : (-stalled * b - Math.sqrt((stalled * b) ** 2 - 4 * square * constant)) / (2 * square)
  const flow = share * fan.flow * n
  const shape = Math.max(0.02, at(w, share))
  return { flow, pressure: Math.max(0, stalled * at(p, share)), power: fan.power * n ** 3 * density * shape }
}

import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** What moves air into or out of a place, m³/s. */
export interface Mover {
  readonly name: string
  readonly kind: 'outside air' | 'make-up' | 'exhaust' | 'relief'
  readonly flow: number
}

/**
 * The balance of a building's air.
 * @param leak area through which the difference goes, m²; left out, no pressure is given
 * @returns air in, out and over; `pressure` of the place against outside, pascals
 * @throws RangeError when a flow is below zero
 * @source OA + make-up = exhaust + relief + what leaks; Q = 2610 A √Δp, A in ft², Δp in in wg
 */
export function airBalance(movers: readonly Mover[], leak?: number) {
  for (const m of movers) requireMagnitude('flow', m.flow)
  const sum = (...kinds: Mover['kind'][]) =>
    movers.filter((m) => kinds.includes(m.kind)).reduce((s, m) => s + m.flow, 0)
  const coming = sum('outside air', 'make-up')
  const going = sum('exhaust', 'relief')
  const over = coming - going
  return { coming, going, over, pressure: leak === undefined ? null : leakPressure(over, leak) }
}

/** Speed through a leak that one pascal drives, m/s. @source handbooks print 2610 cfm per ft² at 1 in wg (from memory) */
const throughLeak = (2610 * 0.00508) / Math.sqrt(249.08891)

/** Pressure that drives a flow through a leak, pascals, with the sign of the flow. @param leak m² */
export function leakPressure(flow: number, leak: number): number {
  requirePositive('leak', leak)
  return Math.sign(flow) * (flow / leak / throughLeak) ** 2
}

/** The balance after one fan changed speed: who must follow, and by how much. */
export function afterSpeedChange(movers: readonly Mover[], name: string, speed: number) {
  requirePositive('speed', speed)
  if (!movers.some((m) => m.name === name)) throw new RangeError(`name ${name} is not in the list`)
  const before = airBalance(movers)
  const after = airBalance(movers.map((m) => (m.name === name ? { ...m, flow: m.flow * speed } : m)))
  return { before: before.over, after: after.over, toMakeUp: before.over - after.over }
}

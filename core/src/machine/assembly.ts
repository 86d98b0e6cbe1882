import { systemThrough, type WheelType } from '../air/index.ts'
import { requirePositive } from '../quantity/index.ts'
import type { MotorCircuit } from './circuit.ts'
import { operate } from './operate.ts'
import { solveRig, type Rig, type RigBelt } from './rig.ts'

/** What is known of a fan assembly whose fan and duct are not: its motor, how it is loaded, its belt. */
export interface AssemblyFacts {
  readonly circuit: MotorCircuit
  readonly volts: number
  readonly hz: number
  /** Shaft load of the motor over rated, as it was read. */
  readonly load: number
  /** Pitch diameters in one unit; null for a fan on the motor's shaft. */
  readonly belt: { readonly driver: number; readonly driven: number } | null
  readonly wheel: WheelType
  /** Pascals across the fan at that load. */
  readonly pressure?: number
  /** Share of that pressure that does not go with the flow. */
  readonly fixed?: number
}

/** Of an ordinary fan at its point. @source common practice: 55 to 70 % */
const efficiency = 0.6

/** A belt at its right tension carries half as much again as the motor gives. @source common practice */
export const rightBelt = (circuit: MotorCircuit, belt: { driver: number; driven: number }): RigBelt => ({
  ...belt,
  carries: 1.5 * circuit.watts,
})

/**
 * The rig that reads as a machine was read: the fan is given the power that loads the motor so, and a flow by an ordinary
 * efficiency.
 * @throws RangeError when load or pressure is not above zero, or no fan gives that load
 */
export function assemblyFor(f: AssemblyFacts): Rig {
  requirePositive('load', f.load)
  const pressure = f.pressure ?? 450
  requirePositive('pressure', pressure)
  const ratio = f.belt ? f.belt.driver / f.belt.driven : 1
  const lineVolts = [f.volts, f.volts, f.volts] as const
  const motor = operate(f.circuit, { kind: 'three lines', lineVolts }, f.load, f.hz)
  if (motor.rpm === 0) throw new RangeError('load is more than this motor can carry')
  const made = (power: number): Rig => {
    const flow = (efficiency * power) / pressure
    return {
      circuit: f.circuit,
      supply: { kind: 'three lines', lineVolts },
      hz: f.hz,
      belt: f.belt && rightBelt(f.circuit, f.belt),
      fan: { wheel: f.wheel, rpm: motor.rpm * ratio, flow, pressure, power },
      system: systemThrough(flow, pressure, (f.fixed ?? 0) * pressure),
      density: 1,
    }
  }
  let power = f.load * f.circuit.watts
  for (let i = 0; i < 8; i++) {
    const share = solveRig(made(power)).motor.load / f.load
    if (!(share > 0)) throw new RangeError('load is more than this motor can carry')
    power /= share
    if (Math.abs(share - 1) < 1e-6) break
  }
  return made(power)
}

import { circuitOfPlate, type PlateCircuit } from '../machine/index.ts'
import { type AllowedCurrent } from '../plate/index.ts'
import type { JudgeInput } from './input.ts'

const circuits = new WeakMap<
  object,
  { readonly volts: number; readonly hz: number; readonly is: PlateCircuit | null }
>()

/** The equivalent circuit of a motor, estimated once from its nameplate. */
export function circuitOf(
  motor: JudgeInput['motor'],
  allowed: AllowedCurrent | null,
  phases: 1 | 3,
  hz: number,
): PlateCircuit | null {
  if (phases !== 3 || !motor || allowed?.motorAmps == null) return null
  const known = circuits.get(motor)
  if (known && known.volts === allowed.columnVolts && known.hz === hz) return known.is
  const is = circuitOfPlate(motor.plate, { volts: allowed.columnVolts, amps: allowed.motorAmps }, hz)
  circuits.set(motor, { volts: allowed.columnVolts, hz, is })
  return is
}

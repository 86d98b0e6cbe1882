import type { MachinePage } from '@motor-round/contract'
import { circuitOfPlate, noLoadAmps } from '@motor-round/core/machine'
import { mean } from '@motor-round/core/quantity'
import { ampsAtHz, plateForDrive, type ExpectedAmps } from '@motor-round/core/vfd'

/** What the drive should give now, and from which visit that is known. */
export interface Expected extends ExpectedAmps {
  readonly from: { readonly amps: number; readonly hz: number; readonly at: string }
}

/** Output amps to be expected at some hertz, from the last visit that read amps at known hertz; null where nothing tells. */
export function expectedAt(page: Pick<MachinePage, 'machine' | 'motor' | 'visits'>, hz: number): Expected | null {
  const { machine, motor, visits } = page
  const plate = plateForDrive(motor?.plate ?? null, machine.serviceVolts, motor?.connectionVolts ?? null)
  if (!motor || plate.amps === null || plate.volts === null || plate.hz === null || !(hz > 0)) return null
  const circuit = circuitOfPlate(motor.plate, { volts: plate.volts, amps: plate.amps }, plate.hz)?.circuit
  if (!circuit) return null
  for (const v of visits) {
    if (v.supersededBy !== null || v.state.settled === false || Date.parse(v.takenAt) < Date.parse(motor.installedAt))
      continue
    const at = v.readings.find((r) => r.quantity === 'hz')?.value
    const legs = v.readings.filter((r) => r.quantity === 'amps').map((r) => r.value)
    const amps =
      v.readings.find((r) => r.quantity === 'drive_amps')?.value ?? (legs.length > 0 ? mean(legs) : undefined)
    if (at === undefined || at <= 0 || amps === undefined || amps <= 0) continue
    const found = ampsAtHz(
      { plateAmps: plate.amps, plateHz: plate.hz, noLoadAmps: noLoadAmps(circuit, plate.volts) },
      { amps, hz: at },
      hz,
    )
    return found && { ...found, from: { amps, hz: at, at: v.takenAt } }
  }
  return null
}

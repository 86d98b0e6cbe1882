import { allowedCurrent, type Plate } from '../plate/index.ts'
import type { PlateForDrive } from './check-settings.ts'

const number = (text: string | undefined): number | null => {
  const found = /^\s*(\d+(?:\.\d+)?)/.exec(text ?? '')?.[1]
  return found === undefined ? null : Number(found)
}

/** What a drive has to be set for: the column of the nameplate that is in force. @param serviceVolts of the supply, V */
export function plateForDrive(
  plate: Plate | null,
  serviceVolts: number,
  connectionVolts: number | null,
): PlateForDrive {
  const allowed = plate ? allowedCurrent(plate, null, serviceVolts, connectionVolts ?? undefined) : null
  const power = plate?.power
  return {
    amps: allowed?.motorAmps ?? null,
    volts: allowed?.columnVolts ?? null,
    // A plate for both frequencies does not say which one the drive is set for.
    hz: /\/|-/.test(plate?.hz ?? '') ? null : number(plate?.hz),
    rpm: plate?.rpm ?? null,
    kw: power === undefined ? null : power * (plate?.powerUnit === 'kW' ? 1 : 0.7457),
    serviceFactor: plate?.sf ?? null,
  }
}

import { chooseColumn, readColumns, type Plate } from '../plate/index.ts'

/** Two voltages of a motor lie at least so far apart: 230/400 is 1.74, 208-230 is one voltage. */
const twoVoltages = 1.5

/** Which of its voltages a motor is connected for, by its nameplate and the volts that are there. */
export interface WantedVolts {
  readonly wanted: 'low volts' | 'high volts' | 'only'
  /** The column in force, V. */
  readonly volts: number
}

/**
 * @param serviceVolts of the supply, V @param connectionVolts what it is known to be connected for, V
 * @returns a sentence where the nameplate does not say enough
 */
export function wantedVolts(
  plate: Plate | null,
  serviceVolts: number,
  connectionVolts: number | null,
): WantedVolts | string {
  if (plate?.volts === undefined) return 'The nameplate gives no volts. Enter them first.'
  let columns
  try {
    columns = readColumns(plate.volts, plate.amps, plate.sfa)
  } catch (e) {
    if (e instanceof RangeError) return 'The volts of the nameplate cannot be read. Correct them first.'
    throw e
  }
  const chosen = chooseColumn(columns, serviceVolts, connectionVolts ?? undefined)
  if (!chosen) return `The nameplate has no volts for a ${serviceVolts} V service.`
  const all = columns.map((c) => c.volts)
  const [least, most] = [Math.min(...all), Math.max(...all)]
  const { volts } = chosen.column
  if (most / least < twoVoltages) return { wanted: 'only', volts }
  return { wanted: volts < Math.sqrt(least * most) ? 'low volts' : 'high volts', volts }
}

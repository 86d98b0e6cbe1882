import { requirePositive } from '../quantity/index.ts'
import { chooseColumn, readColumns, type ColumnHow, type PlateColumn } from './columns.ts'
import type { Plate, UnitPlate } from './plate.ts'

/** The current a motor is allowed, with where it came from. All in amperes and volts. */
export interface AllowedCurrent {
  readonly amps: number
  /** Which plate gave it: the lower of the two when both are readable. */
  readonly source: 'motor plate' | 'unit plate'
  readonly columnVolts: number
  readonly how: ColumnHow
  readonly motorAmps: number | null
  readonly unitAmps: number | null
  /** Service-factor amps of the column as printed, else service factor times plate amps; null without either. */
  readonly sfa: number | null
  readonly sf: number | null
}

function columnOf(plate: { volts?: string; amps?: string; sfa?: string }, service: number, connection?: number) {
  if (plate.volts === undefined) return null
  let columns: readonly PlateColumn[]
  try {
    columns = readColumns(plate.volts, plate.amps, plate.sfa)
  } catch (e) {
    if (e instanceof RangeError) return null // a plate that cannot be read gives no limit
    throw e
  }
  return chooseColumn(columns, service, connection)
}

/**
 * The allowed current: the column of the connection, the lower of the motor's and the unit's plate. It is not
 * rescaled for the volts found: low volts raise the amps of the same shaft load, not what the winding may carry.
 * @param serviceVolts nominal volts of the supply (208, 240, 480, 600, 400 …)
 * @returns null when neither plate gives a current for this supply: then there is no limit, and no verdict on amps
 * @throws RangeError when serviceVolts is not above zero
 * @source common practice: the lower of motor and unit plate
 */
export function allowedCurrent(
  plate: Plate | null,
  unitPlate: UnitPlate | null,
  serviceVolts: number,
  connectionVolts?: number,
): AllowedCurrent | null {
  requirePositive('serviceVolts', serviceVolts)
  const motor = plate ? columnOf(plate, serviceVolts, connectionVolts) : null
  const unit = unitPlate ? columnOf(unitPlate, serviceVolts, connectionVolts) : null
  const motorAmps = motor?.column.amps ?? null
  const unitAmps = unit?.column.amps ?? null
  const sf = plate?.sf ?? null
  const lower = unit && unitAmps !== null && (motorAmps === null || unitAmps < motorAmps) ? unit : motor
  const amps = lower === unit ? unitAmps : motorAmps
  if (!lower || amps === null) return null
  const fromUnit = lower === unit
  const sfa = fromUnit ? null : (motor?.column.sfa ?? (sf !== null && motorAmps !== null ? sf * motorAmps : null))
  return {
    amps,
    source: fromUnit ? 'unit plate' : 'motor plate',
    columnVolts: lower.column.volts,
    how: lower.how,
    motorAmps,
    unitAmps,
    sfa,
    sf,
  }
}

import type { registerColumns } from '@motor-round/contract'
import type { components, machines } from '../db/schema.ts'
import { withControls } from './controls-columns.ts'
import { plateColumns, type RegisterRow } from './register-row.ts'

type Absent = readonly string[]
type Column = (typeof registerColumns)[number]

/** A column that is not in the file says nothing: what is on record stands. An empty cell of one that is empties it. */
const keep = <T>(absent: Absent, column: Column, read: T, kept: T): T => (absent.includes(column) ? kept : read)

export const withUnit = (
  row: RegisterRow,
  unit: Pick<RegisterRow, 'modelLine'> & { readonly kind: string },
  absent: Absent,
): RegisterRow => ({
  ...row,
  unitKind: keep(absent, 'unit_kind', row.unitKind, unit.kind as RegisterRow['unitKind']),
  modelLine: keep(absent, 'model_line', row.modelLine, unit.modelLine),
})

export const withMachine = (
  row: RegisterRow,
  kept: Omit<typeof machines.$inferSelect, 'id' | 'siteId' | 'unitId'>,
  absent: Absent,
): RegisterRow => ({
  ...row,
  machine: {
    ...row.machine,
    purpose: keep(absent, 'purpose', row.machine.purpose, kept.purpose),
    drive: keep(absent, 'drive', row.machine.drive, kept.drive),
    hasVfd: keep(absent, 'has_vfd', row.machine.hasVfd, kept.hasVfd),
    hasTwin: keep(absent, 'has_twin', row.machine.hasTwin, kept.hasTwin),
    controls: withControls(row.machine.controls, kept.controls, absent),
  },
  unitPlate: absent.includes('unit_plate_volts') && absent.includes('unit_plate_amps') ? kept.unitPlate : row.unitPlate,
})

/** The motor in place, corrected by the columns that are there. */
export function withMotor(
  row: RegisterRow,
  motor: Pick<typeof components.$inferSelect, 'spec' | 'substitute'>,
  absent: Absent,
): RegisterRow {
  if (row.plate === null || !('plate' in motor.spec)) return row
  const { plate, connectionVolts } = motor.spec
  const read = row.plate
  const unsaid = plateColumns.flatMap(([field, column]) =>
    !absent.includes(column) || plate[field] === undefined ? [] : [[field, plate[field]] as const],
  )
  // What could not be read on the plate then can be now, where the file gives it.
  const unreadable = absent.includes('unreadable')
    ? (plate.unreadable ?? []).filter((field) => read[field] === undefined)
    : (read.unreadable ?? [])
  return {
    ...row,
    plate: { ...Object.fromEntries(unsaid), ...read, ...(unreadable.length > 0 ? { unreadable } : {}) },
    connectionVolts: keep(absent, 'connection_volts', row.connectionVolts, connectionVolts),
    substitute: keep(absent, 'substitute', row.substitute, motor.substitute),
  }
}

import { controls, plate, registerColumns, unitKinds, unitPlate, siteBody, machineBody } from '@motor-round/contract'
import { parseFigure } from '@motor-round/core/quantity'
import { z } from 'zod'
import { controlColumnOf, readControls } from './controls-columns.ts'
import { instantReader } from './csv/instants.ts'
import { plain } from './csv/rows.ts'
import type { Errors } from './state.ts'

/** One row of the register file, read and checked: a machine, where it stands and the motor in it. */
export const registerRow = z.strictObject({
  site: z.string().trim().min(1).max(80),
  zone: siteBody.shape.zone,
  area: z.string().trim().min(1).max(80),
  areaKind: z.enum(['roof', 'room']),
  unit: z.string().trim().min(1).max(24),
  unitKind: z.enum(unitKinds),
  modelLine: z.string().max(60),
  machine: machineBody.omit({ id: true, unitId: true, unitPlate: true }).extend({ controls }),
  unitPlate: unitPlate.nullable(),
  plate: plate.nullable(),
  connectionVolts: z.number().positive().max(1000).nullable(),
  installedAt: z.iso.datetime().nullable(),
  substitute: z.boolean(),
})
export type RegisterRow = z.infer<typeof registerRow>

type Column = (typeof registerColumns)[number]

// Paths of the checked row, told in the column names of the file.
const columnOf: Record<string, Column> = {
  zone: 'site_zone',
  areaKind: 'area_kind',
  unitKind: 'unit_kind',
  modelLine: 'model_line',
  'machine.tag': 'machine',
  'machine.purpose': 'purpose',
  'machine.phases': 'phases',
  'machine.serviceVolts': 'service_volts',
  'machine.drive': 'drive',
  'machine.hasVfd': 'has_vfd',
  'machine.hasTwin': 'has_twin',
  'unitPlate.volts': 'unit_plate_volts',
  'unitPlate.amps': 'unit_plate_amps',
  connectionVolts: 'connection_volts',
  installedAt: 'installed_at',
  substitute: 'substitute',
}
/** The plate's fields and the column each stands in. */
export const plateColumns: readonly [keyof z.infer<typeof plate>, Column][] = [
  ['maker', 'maker'],
  ['model', 'model'],
  ['serial', 'serial'],
  ['power', 'power'],
  ['powerUnit', 'power_unit'],
  ['phases', 'phases'],
  ['volts', 'volts'],
  ['amps', 'amps'],
  ['hz', 'hz'],
  ['rpm', 'rpm'],
  ['sf', 'sf'],
  ['sfa', 'sfa'],
  ['frame', 'frame'],
  ['insulationClass', 'insulation_class'],
  ['design', 'design'],
  ['code', 'code'],
  ['efficiency', 'efficiency'],
  ['powerFactor', 'power_factor'],
  ['enclosure', 'enclosure'],
  ['duty', 'duty'],
  ['thermalProtection', 'thermal_protection'],
  ['bearings', 'bearings'],
  ['shaft', 'shaft'],
  ['rotation', 'rotation'],
  ['rotationSeenFrom', 'rotation_seen_from'],
  ['capacitorUf', 'capacitor_uf'],
  ['capacitorVolts', 'capacitor_volts'],
  ['speedTaps', 'speed_taps'],
  ['lowAmps', 'low_amps'],
  ['lowRpm', 'low_rpm'],
  ['signal', 'signal'],
]
for (const [field, column] of plateColumns) columnOf[`plate.${field}`] = column
for (const [field, column] of Object.entries(controlColumnOf)) columnOf[`machine.controls.${field}`] = column

const figures = new Set<string>([
  'power',
  'rpm',
  'low_rpm',
  'sf',
  'efficiency',
  'power_factor',
  'capacitor_uf',
  'capacitor_volts',
])
const yes = new Map([
  ['', false],
  ['no', false],
  ['false', false],
  ['0', false],
  ['yes', true],
  ['true', true],
  ['1', true],
])

/** Read a row of cells. @returns null when something is wrong with it; then every fault is noted */
export function readRegisterRow(
  cells: (column: Column) => string,
  line: number,
  zone: string | null,
  errors: Errors,
  decimalComma: boolean,
): RegisterRow | null {
  const before = errors.count
  const text = (c: Column) => plain(cells(c)).trim()
  const figure = (c: Column): number | undefined => {
    const t = text(c)
    if (t === '') return undefined
    const share = t.endsWith('%')
    const value = parseFigure(share ? t.slice(0, -1) : t, decimalComma ? true : undefined)
    if (value === null) {
      errors.add(line, c, `"${t}" is not a number`)
      return undefined
    }
    return share ? value / 100 : value
  }
  const flag = (c: Column): boolean => {
    const value = yes.get(text(c).toLowerCase())
    if (value === undefined) errors.add(line, c, `"${text(c)}" is not yes or no`)
    return value ?? false
  }
  const phases = figure('phases')
  const plateCells = Object.fromEntries(
    plateColumns.flatMap(([field, column]) => {
      if (column === 'phases' || text(column) === '') return []
      const value = figures.has(column) ? figure(column) : text(column)
      return value === undefined ? [] : [[field, value]]
    }),
  )
  const unreadable = text('unreadable') === '' ? [] : text('unreadable').split(/[\s,;]+/)
  const hasPlate = Object.keys(plateCells).length > 0 || unreadable.length > 0
  const unitPlateGiven = text('unit_plate_volts') !== '' || text('unit_plate_amps') !== ''
  const installed =
    text('installed_at') === '' ? null : instantReader(zone ?? (text('site_zone') || 'UTC'))(text('installed_at'))
  if (installed?.kind === 'wrong') errors.add(line, 'installed_at', installed.message)
  const parsed = registerRow.safeParse({
    site: text('site'),
    zone: text('site_zone'),
    area: text('area'),
    areaKind: text('area_kind') || 'roof',
    unit: text('unit'),
    unitKind: text('unit_kind') || 'other',
    modelLine: text('model_line'),
    machine: {
      tag: text('machine'),
      purpose: text('purpose'),
      phases,
      serviceVolts: figure('service_volts'),
      drive: text('drive') || 'belt',
      hasVfd: flag('has_vfd'),
      hasTwin: flag('has_twin'),
      controls: readControls({ text, figure, flag }),
    },
    unitPlate: unitPlateGiven ? { volts: text('unit_plate_volts'), amps: text('unit_plate_amps') } : null,
    plate: hasPlate
      ? { ...plateCells, ...(phases === undefined ? {} : { phases }), ...(unreadable.length > 0 ? { unreadable } : {}) }
      : null,
    connectionVolts: figure('connection_volts') ?? null,
    installedAt: installed?.kind === 'instant' ? new Date(installed.ms).toISOString() : null,
    substitute: flag('substitute'),
  })
  if (parsed.success && !parsed.data.machine.controls.gasSection && parsed.data.machine.controls.burner)
    errors.add(line, 'gas_section', 'a burner range is given: enter yes, or leave the range out')
  if (parsed.success) return errors.count > before ? null : parsed.data
  for (const i of parsed.error.issues) {
    const path = i.path.filter((p) => typeof p === 'string').join('.')
    errors.add(line, columnOf[path] ?? (path.startsWith('plate.unreadable') ? 'unreadable' : path), i.message)
  }
  return null
}

import type { Plate, PlateField } from '@motor-round/core/plate'

/** A cell of the plate: its own short heading, and how wide it stands. */
export interface PlateCell {
  readonly field: PlateField
  readonly head: string
  readonly title: string
  readonly wide?: boolean
  /** Only shown for motors of that kind, or when filled in. */
  readonly phases?: 1 | 3
}

/** The cells in plate order. */
export const plateCells: readonly PlateCell[] = [
  { field: 'power', head: 'HP', title: 'Rated power, hp or kW' },
  { field: 'rpm', head: 'RPM', title: 'Full-load speed' },
  { field: 'phases', head: 'PH', title: 'Phases, 1 or 3' },
  { field: 'hz', head: 'HZ', title: 'Frequency' },
  { field: 'volts', head: 'V', title: 'Volts as printed, 208-230/460', wide: true },
  { field: 'amps', head: 'A', title: 'Full-load amps as printed, 27.0-25.6/12.8', wide: true },
  { field: 'sf', head: 'SF', title: 'Service factor' },
  { field: 'sfa', head: 'SFA', title: 'Service-factor amps as printed' },
  { field: 'frame', head: 'FR', title: 'Frame' },
  { field: 'insulationClass', head: 'INS', title: 'Insulation class' },
  { field: 'code', head: 'CODE', title: 'Code letter' },
  { field: 'design', head: 'DES', title: 'Design letter' },
  { field: 'efficiency', head: 'EFF', title: 'Efficiency, %' },
  { field: 'powerFactor', head: 'PF', title: 'Power factor, %' },
  { field: 'enclosure', head: 'ENCL', title: 'Enclosure' },
  { field: 'duty', head: 'DUTY', title: 'Duty' },
  { field: 'bearings', head: 'BRG', title: 'Bearings, drive end / other end', wide: true },
  { field: 'capacitorUf', head: 'CAP µF', title: 'Run capacitor, microfarad', phases: 1 },
  { field: 'capacitorVolts', head: 'CAP V', title: 'Capacitor volts', phases: 1 },
  { field: 'speedTaps', head: 'TAPS', title: 'Speed taps', phases: 1 },
  { field: 'lowAmps', head: 'A LOW', title: 'Low-speed amps of a two-speed motor, as printed' },
  { field: 'lowRpm', head: 'RPM LOW', title: 'Low-speed rpm of a two-speed motor' },
  { field: 'thermalProtection', head: 'THERM', title: 'Thermal protection' },
  { field: 'shaft', head: 'SHAFT', title: 'Shaft diameter, length, flat or key' },
  { field: 'rotation', head: 'ROT', title: 'Rotation: clockwise, counter-clockwise, either' },
  { field: 'signal', head: 'SIG', title: 'Control signal of an electronic motor', phases: 1 },
  { field: 'model', head: 'MODEL', title: 'Model' },
  { field: 'serial', head: 'SER', title: 'Serial number' },
]

/** The heading of the power cell follows the unit. */
export const headOf = (cell: PlateCell, plate: Plate): string =>
  cell.field === 'power' && plate.powerUnit === 'kW' ? 'KW' : cell.head

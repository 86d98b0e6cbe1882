import { z } from './z.ts'
import { id, instant, line } from './common.ts'
import { zone } from './register.ts'

export const importKinds = ['readings', 'register', 'organization'] as const

export const importQuery = z.strictObject({
  kind: z.enum(importKinds),
  /** Time zone for dates that carry none. */
  zone: zone.optional(),
  name: line(200).default('file'),
  id: id,
  /** Size of the file if the sender knows it, for progress. */
  size: z.coerce.number().int().nonnegative().optional(),
})

export const fileError = z.object({ line: z.int(), column: z.string(), message: z.string() })

export const importState = z
  .object({
    id,
    kind: z.enum(importKinds),
    name: z.string(),
    /** checking: rows are being read; ready: nothing kept yet, waiting for a yes; refused: errors, nothing kept. */
    status: z.enum(['checking', 'ready', 'refused', 'needs zone', 'keeping', 'done', 'cancelled', 'failed']),
    rows: z.int(),
    bytes: z.number(),
    size: z.number().nullable(),
    /** What keeping it would do, or did. */
    added: z.int(),
    already: z.int(),
    changed: z.int(),
    machines: z.int(),
    sites: z.int(),
    from: instant.nullable(),
    to: instant.nullable(),
    errorCount: z.int(),
    errors: z.array(fileError),
    /** Zones to offer when dates carry none. */
    zones: z.array(z.string()),
    message: z.string(),
    by: z.string(),
    startedAt: instant,
  })
  .meta({ id: 'Import' })
export type ImportState = z.infer<typeof importState>

export const readingColumns = [
  'site',
  'unit',
  'machine',
  'taken_at',
  'quantity',
  'position',
  'value',
  'unit_of_measure',
  'by',
  'settled',
  'note',
] as const

export const registerColumns = [
  'site',
  'site_zone',
  'area',
  'area_kind',
  'unit',
  'unit_kind',
  'model_line',
  'machine',
  'purpose',
  'phases',
  'service_volts',
  'drive',
  'has_vfd',
  'has_twin',
  'unit_plate_volts',
  'unit_plate_amps',
  'starter',
  'poles',
  'overload',
  'fuse_or_breaker',
  'fuse_amps',
  'control_volts',
  'transformer_in',
  'transformer_out',
  'gas_section',
  'burner_oxygen_low',
  'burner_oxygen_high',
  'burner_stack_low_f',
  'burner_stack_high_f',
  'phase_monitor',
  'run_capacitor_uf',
  'second_capacitor_uf',
  'run_capacitor_volts',
  'run_capacitor_tolerance',
  'maker',
  'model',
  'serial',
  'power',
  'power_unit',
  'volts',
  'amps',
  'hz',
  'rpm',
  'sf',
  'sfa',
  'frame',
  'insulation_class',
  'design',
  'code',
  'efficiency',
  'power_factor',
  'enclosure',
  'duty',
  'thermal_protection',
  'bearings',
  'shaft',
  'rotation',
  'rotation_seen_from',
  'capacitor_uf',
  'capacitor_volts',
  'speed_taps',
  'low_amps',
  'low_rpm',
  'signal',
  'unreadable',
  'connection_volts',
  'installed_at',
  'substitute',
] as const

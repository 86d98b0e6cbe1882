import { controls as controlsSchema, type Machine, type registerColumns } from '@motor-round/contract'

type Controls = Machine['controls']
type Column = (typeof registerColumns)[number]

/** Where each part of the controls stands in the machine list. */
export const controlColumnOf = {
  starter: 'starter',
  poles: 'poles',
  overload: 'overload',
  protection: 'fuse_or_breaker',
  protectionAmps: 'fuse_amps',
  controlVolts: 'control_volts',
  'transformer.ratedIn': 'transformer_in',
  'transformer.ratedOut': 'transformer_out',
  gasSection: 'gas_section',
  'burner.oxygenLow': 'burner_oxygen_low',
  'burner.oxygenHigh': 'burner_oxygen_high',
  'burner.stackLow': 'burner_stack_low_f',
  'burner.stackHigh': 'burner_stack_high_f',
  phaseMonitor: 'phase_monitor',
  'capacitor.run': 'run_capacitor_uf',
  'capacitor.second': 'second_capacitor_uf',
  'capacitor.volts': 'run_capacitor_volts',
  'capacitor.tolerance': 'run_capacitor_tolerance',
} as const satisfies Record<string, Column>

/** The cells of a row, as the machine list is read. */
export interface Cells {
  readonly text: (c: Column) => string
  readonly figure: (c: Column) => number | undefined
  readonly flag: (c: Column) => boolean
}

/** A part of the controls of which nothing is said is none; of which something is said the rest is asked for. */
const part = (cells: Cells, columns: Readonly<Record<string, Column>>): Record<string, number | undefined> | null =>
  Object.values(columns).every((c) => cells.text(c) === '')
    ? null
    : Object.fromEntries(
        Object.entries(columns).flatMap(([key, c]) => (cells.text(c) === '' ? [] : [[key, cells.figure(c)]])),
      )

const c = controlColumnOf
/** The controls of a row, for the schema to check. */
export function readControls(cells: Cells): unknown {
  const word = (column: Column) => cells.text(column).toLowerCase() || null
  const burner = part(cells, {
    oxygenLow: c['burner.oxygenLow'],
    oxygenHigh: c['burner.oxygenHigh'],
    stackLow: c['burner.stackLow'],
    stackHigh: c['burner.stackHigh'],
  })
  return {
    starter: word(c.starter),
    poles: cells.figure(c.poles) ?? null,
    overload: word(c.overload),
    protection: word(c.protection),
    protectionAmps: cells.figure(c.protectionAmps) ?? null,
    controlVolts: cells.figure(c.controlVolts) ?? null,
    transformer: part(cells, { ratedIn: c['transformer.ratedIn'], ratedOut: c['transformer.ratedOut'] }),
    // A range of its burner says that there is one, where nothing is said.
    gasSection: cells.flag(c.gasSection) || (burner !== null && cells.text(c.gasSection) === ''),
    ...(burner ? { burner } : {}),
    phaseMonitor: cells.flag(c.phaseMonitor),
    capacitor: part(cells, {
      run: c['capacitor.run'],
      second: c['capacitor.second'],
      volts: c['capacitor.volts'],
      tolerance: c['capacitor.tolerance'],
    }),
  }
}

const yesNo = (v: boolean) => (v ? 'yes' : 'no')

/** The controls of a machine as its row of the machine list. */
export function controlCells(raw: Partial<Controls>): Partial<Record<Column, unknown>> {
  const own = controlsSchema.parse(raw)
  const { transformer, burner, capacitor } = own
  return {
    starter: own.starter ?? '',
    poles: own.poles ?? '',
    overload: own.overload ?? '',
    fuse_or_breaker: own.protection ?? '',
    fuse_amps: own.protectionAmps ?? '',
    control_volts: own.controlVolts ?? '',
    transformer_in: transformer?.ratedIn ?? '',
    transformer_out: transformer?.ratedOut ?? '',
    gas_section: yesNo(own.gasSection),
    burner_oxygen_low: burner?.oxygenLow ?? '',
    burner_oxygen_high: burner?.oxygenHigh ?? '',
    burner_stack_low_f: burner?.stackLow ?? '',
    burner_stack_high_f: burner?.stackHigh ?? '',
    phase_monitor: yesNo(own.phaseMonitor),
    run_capacitor_uf: capacitor?.run ?? '',
    second_capacitor_uf: capacitor?.second ?? '',
    run_capacitor_volts: capacitor?.volts ?? '',
    run_capacitor_tolerance: capacitor?.tolerance == null ? '' : `${Math.round(capacitor.tolerance * 10_000) / 100}%`,
  }
}

/** The ranges that are there, without those that are none. */
const plainBurner = (burner: Controls['burner']): Pick<Controls, 'burner'> => {
  const said = Object.entries(burner ?? {}).filter(([, v]) => v != null)
  return said.length === 0 ? {} : { burner: Object.fromEntries(said) }
}

/**
 * The controls by a file that has not all of their columns: what it says nothing of stays as it is on record.
 */
export function withControls(read: Controls, raw: Partial<Controls>, absent: readonly string[]): Controls {
  const kept = controlsSchema.parse(raw)
  const said = (key: keyof typeof controlColumnOf) => !absent.includes(controlColumnOf[key])
  // Without the column a range of its burner alone can say that there is one.
  const gasSection = said('gasSection') ? read.gasSection : kept.gasSection || read.gasSection
  const burner = {
    ...(said('burner.oxygenLow') ? read : kept).burner,
    stackLow: (said('burner.stackLow') ? read : kept).burner?.stackLow,
    stackHigh: (said('burner.stackHigh') ? read : kept).burner?.stackHigh,
  }
  const capacitor = read.capacitor && {
    run: read.capacitor.run,
    second: (said('capacitor.second') ? read : kept).capacitor?.second ?? null,
    volts: (said('capacitor.volts') ? read : kept).capacitor?.volts ?? null,
    tolerance: (said('capacitor.tolerance') ? read : kept).capacitor?.tolerance ?? null,
  }
  return {
    starter: said('starter') ? read.starter : kept.starter,
    poles: said('poles') ? read.poles : kept.poles,
    overload: said('overload') ? read.overload : kept.overload,
    protection: said('protection') ? read.protection : kept.protection,
    protectionAmps: said('protectionAmps') ? read.protectionAmps : kept.protectionAmps,
    controlVolts: said('controlVolts') ? read.controlVolts : kept.controlVolts,
    transformer: said('transformer.ratedIn') ? read.transformer : kept.transformer,
    gasSection,
    ...(gasSection ? plainBurner(burner) : {}),
    phaseMonitor: said('phaseMonitor') ? read.phaseMonitor : kept.phaseMonitor,
    capacitor: said('capacitor.run') ? capacitor : kept.capacitor,
  }
}

/** Controls as they are compared: what is not said and what is none are one. */
export const plainControls = (raw: Partial<Controls>): Controls => withControls(controlsSchema.parse(raw), {}, [])

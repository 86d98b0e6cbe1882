import type { Dimension } from './units.ts'

/**
 * What a meter is put on. A reading is a quantity at a position; `unit` is the unit it is kept in,
 * `range` the widest a working instrument on such a machine could show. Outside it is a slip.
 */
export interface Quantity {
  readonly code: string
  readonly title: string
  readonly dimension: Dimension
  readonly unit: string
  readonly positions: readonly string[]
  readonly range: readonly [number, number]
}

export const linePositions = ['L1-L2', 'L2-L3', 'L3-L1'] as const
export const legPositions = ['L1', 'L2', 'L3'] as const
export const neutralPositions = ['L1-N', 'L2-N', 'L3-N'] as const

export const terminalPositions = ['T1', 'T2', 'T3'] as const
export const terminalPairs = ['T1-T2', 'T2-T3', 'T3-T1'] as const
/** The three wires of a single-phase motor before common, run and start are known. */
export const wirePairs = ['A-B', 'B-C', 'C-A'] as const
/** Where a straightedge over both sheave faces is looked at: near and far edge of each. */
export const gapPositions = ['motor-near', 'motor-far', 'fan-near', 'fan-far'] as const
/** Points of a timed insulation test, with their seconds. */
export const insulationTimes = [
  ['15s', 15],
  ['30s', 30],
  ['45s', 45],
  ['1min', 60],
  ['2min', 120],
  ['3min', 180],
  ['4min', 240],
  ['5min', 300],
  ['6min', 360],
  ['7min', 420],
  ['8min', 480],
  ['9min', 540],
  ['10min', 600],
] as const
/** Connection and line of a lead roll: in connection 2 L1 feeds T3, in connection 3 T2. */
export const rollPositions = ['1-L1', '1-L2', '1-L3', '2-L1', '2-L2', '2-L3', '3-L1', '3-L2', '3-L3'] as const

/** Bearing housing, drive end or opposite, and direction: horizontal, vertical, axial. */
export const vibrationPositions = ['DE-H', 'DE-V', 'DE-A', 'ODE-H', 'ODE-V', 'ODE-A'] as const

const quantity = <const C extends string, const P extends readonly string[]>(
  code: C,
  title: string,
  dimension: Dimension,
  unit: string,
  positions: P,
  range: readonly [number, number],
) => ({ code, title, dimension, unit, positions, range })

export const quantities = [
  quantity('volts_ll', 'Volts, line to line', 'voltage', 'V', linePositions, [0, 1000]),
  quantity('volts_ln', 'Volts, line to neutral', 'voltage', 'V', neutralPositions, [0, 600]),
  quantity('volts_lg', 'Volts, line to ground', 'voltage', 'V', legPositions, [0, 1000]),
  quantity('amps', 'Amps', 'current', 'A', legPositions, [0, 2000]),
  quantity('hz', 'Frequency', 'frequency', 'Hz', ['motor'], [0, 120]),
  quantity('rpm', 'Speed', 'speed', 'rpm', ['motor', 'driven'], [0, 7200]),
  quantity('proof_volts', 'Meter proven', 'voltage', 'V', ['before', 'after'], [0, 1500]),
  quantity('dead_ll', 'Proving dead, line to line', 'voltage', 'V', linePositions, [0, 1000]),
  quantity('dead_lg', 'Proving dead, line to ground', 'voltage', 'V', legPositions, [0, 1000]),
  quantity('stored_volts', 'Stored volts', 'voltage', 'V', ['capacitor', 'bus'], [0, 1500]),
  quantity('winding_ohms', 'Winding ohms', 'resistance', 'ohm', [...terminalPairs, ...wirePairs], [0, 100000]),
  quantity('lead_ohms', 'Resistance of the meter leads', 'resistance', 'ohm', ['leads'], [0, 10]),
  quantity('ground_ohms', 'Ohms to ground', 'resistance', 'ohm', terminalPositions, [0, 1e7]),
  quantity('megohms', 'Insulation, one minute', 'resistance', 'Mohm', [...terminalPositions, 'all'], [0, 1e6]),
  quantity(
    'megohms_at',
    'Insulation over time',
    'resistance',
    'Mohm',
    insulationTimes.map(([name]) => name),
    [0, 1e6],
  ),
  quantity('test_volts', 'Insulation test voltage', 'voltage', 'V', ['insulation'], [0, 15000]),
  quantity(
    'temperature',
    'Temperature',
    'temperature',
    'degC',
    ['winding', 'motor', 'bearing-de', 'bearing-ode', 'ambient', 'stack'],
    [-50, 400],
  ),
  quantity('flue_oxygen', 'Oxygen in the flue gas', 'ratio', '%', ['flue'], [0, 21]),
  quantity('flue_co', 'Carbon monoxide in the flue gas, as read', 'ratio', 'ppm', ['flue'], [0, 20000]),
  quantity('capacitance', 'Capacitance', 'capacitance', 'uF', ['run', 'second'], [0, 1000]),
  quantity('capacitor_amps', 'Capacitor amps', 'current', 'A', ['run', 'second'], [0, 100]),
  quantity('capacitor_volts', 'Volts across the capacitor', 'voltage', 'V', ['run', 'second'], [0, 1000]),
  quantity('pole_ohms', 'Closed pole, ohms', 'resistance', 'ohm', legPositions, [0, 1e7]),
  quantity('fuse_ohms', 'Fuse, ohms', 'resistance', 'ohm', legPositions, [0, 1e7]),
  quantity('lug_torque', 'Lug torque', 'torque', 'N.m', ['line', 'load', 'motor'], [0, 500]),
  quantity('line_ll', 'Volts ahead of the starter, line to line', 'voltage', 'V', linePositions, [0, 1000]),
  quantity('line_lg', 'Volts ahead of the starter, line to ground', 'voltage', 'V', legPositions, [0, 1000]),
  quantity('control_volts', 'Control transformer', 'voltage', 'V', ['in', 'out'], [0, 1000]),
  quantity('transformer_in', 'Power transformer in', 'voltage', 'V', linePositions, [0, 1000]),
  quantity('transformer_out', 'Power transformer out', 'voltage', 'V', linePositions, [0, 1000]),
  quantity('contact_drop', 'Volts across a closed contact', 'voltage', 'V', legPositions, [0, 600]),
  quantity('inrush', 'Inrush', 'current', 'A', legPositions, [0, 5000]),
  quantity('start_amps', 'Amps before it settles', 'current', 'A', ['L1'], [0, 2000]),
  quantity('start_seconds', 'Time to settle', 'time', 's', ['start'], [0, 600]),
  quantity('start_tries', 'Tries to start', 'count', 'times', ['start'], [1, 20]),
  quantity('roll_amps', 'Amps with leads rolled', 'current', 'A', rollPositions, [0, 2000]),
  quantity('ground_amps', 'Grounding conductor amps', 'current', 'A', ['ground-wire', 'lines'], [0, 2000]),
  quantity('off_amps', 'Amps while it should be off', 'current', 'A', legPositions, [0, 2000]),
  quantity('overload_dial', 'Overload dial', 'current', 'A', ['relay'], [0, 2000]),
  quantity('vibration', 'Vibration, peak', 'velocity', 'in/s', vibrationPositions, [0, 20]),
  quantity('vibration_hz', 'Strongest frequency of the vibration', 'frequency', 'Hz', ['dominant'], [0, 20_000]),
  quantity('filter_drop', 'Pressure drop of the filters', 'pressure', 'inwg', ['filter'], [0, 20]),
  quantity('static_pressure', 'Static pressure', 'pressure', 'inwg', ['supply', 'return'], [0, 20]),
  quantity('air_flow', 'Airflow', 'flow', 'cfm', ['fan'], [0, 500_000]),
  quantity('belt_force', 'Force on the pressed belt', 'force', 'lbf', ['span'], [0, 100]),
  quantity('belt_press', 'How far the belt was pressed', 'length', 'in', ['span'], [0, 5]),
  quantity('belt_note', 'Note of the plucked span', 'frequency', 'Hz', ['span'], [0, 500]),
  quantity('sheave_gap', 'Gap at the straightedge', 'length', 'in', gapPositions, [0, 5]),
  quantity('drive_amps', 'Output amps, by the drive', 'current', 'A', ['output'], [0, 2000]),
  quantity('input_amps', 'Input amps, ahead of the drive', 'current', 'A', legPositions, [0, 2000]),
  quantity('drive_volts', 'Output volts, by the drive', 'voltage', 'V', ['output'], [0, 1000]),
  quantity('bus_volts', 'Bus volts while it runs', 'voltage', 'V', ['bus'], [0, 1500]),
  quantity('sound', 'Sound', 'level', 'dBA', ['fan', 'background'], [0, 160]),
  quantity('sound_distance', 'Distance of the sound reading', 'length', 'ft', ['fan'], [0, 500]),
] as const satisfies readonly Quantity[]

/** How a value came to be; undefined: read and typed, or not known. */
export type ReadingHow = 'typed' | 'meter' | 'peak' | 'unsteady' | 'over-range'
export const readingHows = ['typed', 'meter', 'peak', 'unsteady', 'over-range'] as const satisfies readonly ReadingHow[]

export type QuantityCode = (typeof quantities)[number]['code']

const byCode = new Map<string, Quantity>(quantities.map((q) => [q.code, q]))

/** The quantity of that code, or undefined. */
export function findQuantity(code: string): Quantity | undefined {
  return byCode.get(code)
}

/** One value read off a machine, in the quantity's own unit. */
export interface Reading {
  readonly quantity: QuantityCode
  readonly position: string
  /** Over range the top of the quantity's own range: a lower bound, not a number. */
  readonly value: number
  readonly how?: ReadingHow | undefined
  /** Half the width in which an unsteady reading moved. */
  readonly spread?: number | undefined
  /** When it was read, ms since 1970, where that is another visit than the one looked at. */
  readonly at?: number | undefined
}

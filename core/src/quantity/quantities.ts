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

export const quantities = [
  {
    code: 'volts_ll',
    title: 'Volts, line to line',
    dimension: 'voltage',
    unit: 'V',
    positions: linePositions,
    range: [0, 1000],
  },
  {
    code: 'volts_ln',
    title: 'Volts, line to neutral',
    dimension: 'voltage',
    unit: 'V',
    positions: neutralPositions,
    range: [0, 600],
  },
  {
    code: 'volts_lg',
    title: 'Volts, line to ground',
    dimension: 'voltage',
    unit: 'V',
    positions: legPositions,
    range: [0, 1000],
  },
  { code: 'amps', title: 'Amps', dimension: 'current', unit: 'A', positions: legPositions, range: [0, 2000] },
  { code: 'hz', title: 'Frequency', dimension: 'frequency', unit: 'Hz', positions: ['motor'], range: [0, 120] },
  {
    code: 'rpm',
    title: 'Speed',
    dimension: 'speed',
    unit: 'rpm',
    positions: ['motor', 'driven'],
    range: [0, 7200],
  },
] as const satisfies readonly Quantity[]

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
  readonly value: number
}

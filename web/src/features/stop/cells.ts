import type { Machine } from '@motor-round/contract'
import { legPositions, linePositions, parseFigure, type QuantityCode, type Reading } from '@motor-round/core/quantity'

/** One cell of the stop page: a quantity at a position. */
export interface Cell {
  readonly key: string
  readonly quantity: QuantityCode
  readonly position: string
  readonly label: string
  readonly unit: string
  readonly group: 'volts' | 'amps' | 'also'
}

const cell = (group: Cell['group'], quantity: QuantityCode, position: string, label: string, unit: string): Cell => ({
  key: `${quantity} ${position}`,
  quantity,
  position,
  label,
  unit,
  group,
})

/** The cells that fit the machine, in the order Enter walks them. */
export function cellsOf(machine: Pick<Machine, 'phases' | 'serviceVolts'>): Cell[] {
  const also = [cell('also', 'hz', 'motor', 'Frequency', 'Hz'), cell('also', 'rpm', 'motor', 'Motor speed', 'rpm')]
  if (machine.phases === 1) {
    const volts =
      machine.serviceVolts < 180
        ? cell('volts', 'volts_ln', 'L1-N', 'L1-N', 'V')
        : cell('volts', 'volts_ll', 'L1-L2', 'L1-L2', 'V')
    return [volts, cell('amps', 'amps', 'L1', 'L1', 'A'), ...also]
  }
  return [
    ...linePositions.map((p) => cell('volts', 'volts_ll', p, p, 'V')),
    ...legPositions.map((p) => cell('amps', 'amps', p, p, 'A')),
    ...also,
  ]
}

/** Texts typed into the cells, by key. */
export type Typed = Readonly<Record<string, string>>

/** The readings of what was typed so far; what is no figure is left out. */
export function readingsOf(cells: readonly Cell[], typed: Typed): Reading[] {
  return cells.flatMap((c) => {
    const value = parseFigure(typed[c.key] ?? '')
    return value === null || value < 0 ? [] : [{ quantity: c.quantity, position: c.position, value }]
  })
}

import type { Machine } from '@motor-round/contract'
import type { AskGroup, ReadingAsk } from '@motor-round/core/judge'
import {
  convert,
  findQuantity,
  parseFigure,
  shownUnit,
  writtenUnit,
  type QuantityCode,
  type Reading,
  type ReadingHow,
  type ShownUnits,
} from '@motor-round/core/quantity'

/** One cell of the visit page: a quantity at a position, in the unit it is typed in. */
export interface Cell {
  readonly key: string
  readonly quantity: QuantityCode
  readonly position: string
  readonly label: string
  /** What is typed in, and how that unit is written. */
  readonly unit: string
  readonly shown: string
  /** Index of its group in the check. */
  readonly group: number
  /** Passed by with Next: read only if somebody wanted it. */
  readonly also: boolean
  /** May the meter show over range here: an open circuit, insulation beyond the tester? */
  readonly canOpen: boolean
}

export const keyOf = (quantity: string, position: string): string => `${quantity} ${position}`

/** The cells of a check's groups, in the order Enter walks them. */
export function cellsOf(groups: readonly AskGroup[], units: ShownUnits): Cell[] {
  return groups.flatMap((g, group) =>
    g.asks
      .filter((a): a is ReadingAsk => a.kind === 'reading')
      .map((a) => {
        const unit = shownUnit(a.quantity, units)
        return {
          key: keyOf(a.quantity, a.position),
          quantity: a.quantity,
          position: a.position,
          label: a.label,
          unit,
          shown: writtenUnit(unit),
          group,
          also: g.also === true,
          canOpen: findQuantity(a.quantity)?.dimension === 'resistance',
        }
      }),
  )
}

/** Texts typed into the cells, by key; `OL` is over range. */
export type Typed = Readonly<Record<string, string>>
/** How a cell's value came to be, where it was not typed. */
export type Snapshot = Readonly<Record<string, { readonly how: ReadingHow; readonly spread?: number }>>

export const isOpen = (text: string): boolean => /^(ol|>.*)$/i.test(text.trim())

/** Is what stands in a cell no figure? */
export function isBad(cell: Cell, text: string): boolean {
  if (text.trim() === '') return false
  if (isOpen(text)) return !cell.canOpen
  return parseFigure(text) === null
}

/** The reading of one typed text, in the unit it is kept in; null when it is no figure, or below what can be. */
export function readingOf(
  at: Pick<Cell, 'quantity' | 'position'>,
  text: string,
  units: ShownUnits,
  taken?: Snapshot[string],
): Reading | null {
  const quantity = findQuantity(at.quantity)
  if (!quantity) return null
  const base = { quantity: at.quantity, position: at.position }
  if (isOpen(text))
    return quantity.dimension === 'resistance' ? { ...base, value: quantity.range[1], how: 'over-range' } : null
  const figure = parseFigure(text)
  if (figure === null) return null
  const value = convert(figure, shownUnit(at.quantity, units), quantity.unit)
  if (value < quantity.range[0]) return null
  return { ...base, value, ...(taken ?? {}) }
}

/** The readings of everything typed at a visit. */
export function readingsOf(typed: Typed, taken: Snapshot, units: ShownUnits): Reading[] {
  return Object.entries(typed).flatMap(([key, text]) => {
    const [quantity = '', position = ''] = key.split(' ')
    return readingOf({ quantity: quantity as QuantityCode, position }, text, units, taken[key]) ?? []
  })
}

/** A kept reading as it would have been typed. */
export function typedOf(reading: Reading, units: ShownUnits): string {
  if (reading.how === 'over-range') return 'OL'
  const unit = findQuantity(reading.quantity)?.unit ?? ''
  const value = convert(reading.value, unit, shownUnit(reading.quantity, units))
  return String(Math.round(value * 1e6) / 1e6)
}

/** The facts of a machine as core's checks ask for them. */
export const factsOf = (machine: Machine) => ({
  phases: machine.phases,
  serviceVolts: machine.serviceVolts,
  hasVfd: machine.hasVfd,
  hasTwin: machine.hasTwin,
  drive: machine.drive,
  controls: machine.controls,
  unitPlate: machine.unitPlate,
})

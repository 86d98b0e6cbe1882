import type { VisitRecord } from '@motor-round/contract'
import { slipGuard, type Slip } from '@motor-round/core/judge'
import { findQuantity, type Reading } from '@motor-round/core/quantity'
import type { Cell } from './cells.ts'

const figure = (reading: Reading) => `${reading.quantity} ${reading.position} ${reading.value}`

/** Quantities whose usual size the plate or the supply tells before anything was read. */
function usualOf(quantity: string, plate: { amps: number | null; volts: number }): number | null {
  if (quantity === 'amps') return plate.amps
  return quantity === 'volts_ll' || quantity === 'line_ll' ? plate.volts : null
}
/** For amps the volts of the supply, for volts the plate amps: what the meter shows on the wrong function. */
function otherOf(quantity: string, plate: { amps: number | null; volts: number }): number | null {
  if (quantity === 'amps') return plate.volts
  return quantity === 'volts_ll' || quantity === 'line_ll' ? plate.amps : null
}
/** What may be anything from nothing to all: it is not held against what it was. */
const anything = new Set([
  'dead_ll',
  'dead_lg',
  'stored_volts',
  'ground_amps',
  'off_amps',
  'ground_ohms',
  'megohms',
  'contact_drop',
  'inrush',
  'start_amps',
  'roll_amps',
  'proof_volts',
  'sheave_gap',
  // Set anew at every visit that tightens them, and half as much again where they are new.
  'belt_force',
  'belt_note',
])

/** The slip that should be asked about at a cell, unless it was already said to be meant. */
export function slipAt(
  cell: Pick<Cell, 'quantity' | 'position'>,
  readings: readonly Reading[],
  visits: readonly VisitRecord[],
  plate: { amps: number | null; volts: number },
  meant: readonly string[],
): { slip: Slip; token: string } | null {
  const own = readings.find((r) => r.quantity === cell.quantity && r.position === cell.position)
  if (!own || own.how === 'over-range' || meant.includes(figure(own))) return null
  // Newest first on record; the guard wants the oldest first.
  const past = (position: string) =>
    anything.has(cell.quantity)
      ? []
      : visits
          .filter((s) => s.supersededBy === null)
          .flatMap((s) =>
            s.readings
              .filter((r) => r.quantity === cell.quantity && r.position === position && r.how !== 'over-range')
              .map((r) => r.value),
          )
          .slice(0, 12)
          .reverse()
  const known = findQuantity(cell.quantity) ? usualOf(cell.quantity, plate) : null
  const slip = slipGuard(own, readings, past(cell.position), past, known, otherOf(cell.quantity, plate))
  return slip ? { slip, token: figure(own) } : null
}

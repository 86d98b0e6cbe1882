import type { StopRecord } from '@motor-round/contract'
import { slipGuard, type Slip } from '@motor-round/core/judge'
import { findQuantity, type Reading } from '@motor-round/core/quantity'
import type { Cell } from './cells.ts'

const figure = (reading: Reading) => `${reading.quantity} ${reading.position} ${reading.value}`

/** The slip that should be asked about at a cell, unless it was already said to be meant. */
export function slipAt(
  cell: Cell,
  readings: readonly Reading[],
  stops: readonly StopRecord[],
  plate: { amps: number | null; volts: number },
  meant: readonly string[],
): { slip: Slip; token: string } | null {
  const own = readings.find((r) => r.quantity === cell.quantity && r.position === cell.position)
  if (!own || meant.includes(figure(own))) return null
  // Newest first in the book; the guard wants the oldest first.
  const past = (position: string) =>
    stops
      .filter((s) => s.supersededBy === null)
      .flatMap((s) =>
        s.readings.filter((r) => r.quantity === cell.quantity && r.position === position).map((r) => r.value),
      )
      .slice(0, 12)
      .reverse()
  const known =
    cell.quantity === 'amps' ? plate.amps : findQuantity(cell.quantity)?.dimension === 'voltage' ? plate.volts : null
  const slip = slipGuard(own, readings, past(cell.position), past, known)
  return slip ? { slip, token: figure(own) } : null
}

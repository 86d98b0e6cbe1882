import { findQuantity, type QuantityCode, type Reading } from '../../core/src/quantity/index.ts'
import type { Answers, GatePass, Visit, VisitState } from '../../core/src/trend/index.ts'

/** A visit as it is written down, built up piece by piece. */
export interface Draft {
  readonly readings: ReadonlyMap<string, Reading>
  readonly answers: Answers
  readonly state: Partial<VisitState>
  readonly passes: readonly GatePass[]
}
export const nothing: Draft = { readings: new Map(), answers: {}, state: {}, passes: [] }

export type Value = number | 'over range' | { readonly value: number; readonly spread: number }

/** Readings of one quantity at its places, replacing what stood there. */
export function read(visit: Draft, quantity: QuantityCode, values: Readonly<Record<string, Value>>): Draft {
  const readings = new Map(visit.readings)
  for (const [position, v] of Object.entries(values))
    readings.set(`${quantity} ${position}`, {
      quantity,
      position,
      ...(v === 'over range'
        ? { value: findQuantity(quantity)?.range[1] ?? 0, how: 'over-range' as const }
        : typeof v === 'number'
          ? { value: v }
          : { value: v.value, spread: v.spread, how: 'unsteady' as const }),
    })
  return { ...visit, readings }
}
export const without = (visit: Draft, ...quantities: readonly string[]): Draft => ({
  ...visit,
  readings: new Map([...visit.readings].filter(([, r]) => !quantities.includes(r.quantity))),
})
export const tell = (visit: Draft, answers: Answers): Draft => ({ ...visit, answers: { ...visit.answers, ...answers } })
export const state = (visit: Draft, more: Partial<VisitState>): Draft => ({
  ...visit,
  state: { ...visit.state, ...more },
})

const unsaid: VisitState = { settled: null, mode: null, filters: null, panels: null, twin: null, turning: null }
let count = 0
export function visitOf(visit: Draft, at: number): Visit {
  count += 1
  return {
    // In order: of two visits at one instant the later one has the greater id.
    id: `truth-${String(count).padStart(9, '0')}`,
    at,
    state: { ...unsaid, ...visit.state },
    readings: [...visit.readings.values()],
    answers: visit.answers,
    passes: visit.passes,
    by: 'Okonjo',
  }
}

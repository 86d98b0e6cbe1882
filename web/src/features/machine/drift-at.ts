import type { AmpsHistory } from '@motor-round/core/judge'
import type { Drift } from '@motor-round/core/trend'

const none: Drift = { kind: 'too few', n: 0, needed: 0 }

/**
 * A trend at the Hz of the newest visit, as a chart of other Hz draws it.
 * @param read amps as they were read @param drawn the same visits at the Hz of the chart
 * @returns no trend where the newest visit is not among those drawn
 */
export function driftAt(drift: Drift, read: AmpsHistory, drawn: AmpsHistory): Drift {
  const last = read.points.at(-1)
  const there = drawn.points.at(-1)
  if (drift.kind === 'too few' || !last || there?.at !== last.at || !(last.normal > 0)) return none
  const by = there.normal / last.normal
  const { fit } = drift
  const at = (p: { readonly at: number; readonly value: number }) => ({ at: p.at, value: p.value * by })
  const scaled = {
    ...fit,
    perYear: fit.perYear * by,
    low: fit.low * by,
    high: fit.high * by,
    from: at(fit.from),
    to: at(fit.to),
  }
  // When it meets the nameplate is said for the Hz it ran at.
  return drift.kind === 'none' ? { ...drift, fit: scaled } : { kind: drift.kind, fit: scaled, meets: null }
}

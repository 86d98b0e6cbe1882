/** One piece of work at one place. Minutes of the day for instants, minutes for lengths. */
export interface RouteStep {
  readonly id: string
  /** Row of the travel matrix. */
  readonly place: number
  readonly minutes: number
  readonly people: 1 | 2
  /** When the unit may be stopped; empty: any time. */
  readonly windows: readonly { readonly from: number; readonly to: number }[]
  readonly outdoors: boolean
  /** What is locked out for it: the next step under the same lock needs no locking again. Null: nothing. */
  readonly lock: string | null
  /** What must be done before it, and how long after: a soak, a cooling down. */
  readonly after: { readonly step: string; readonly wait: number } | null
  /** The step it is done for alone: without that it is left out. */
  readonly serves?: string
  /** What leaving it undone costs, above zero. */
  readonly value: number
  /** What every hour costs until it is begun; left out, nothing: it may be done at any time of the day. */
  readonly urgency?: number
}

export interface Walker {
  readonly id: string
  readonly from: number
  readonly to: number
}

export interface RouteProblem {
  readonly steps: readonly RouteStep[]
  readonly walkers: readonly Walker[]
  /** Minutes between places; row 0 is where everyone starts and ends. */
  readonly travel: readonly (readonly number[])[]
  /** Locking out and proving dead. */
  readonly lockMinutes: number
  /** The hot hours, in which work outdoors is put off where it can be. */
  readonly heat: { readonly from: number; readonly to: number } | null
  /** When a storm is due: nothing outdoors ends later. */
  readonly storm: number | null
}

export interface RouteCost {
  readonly travel: number
  readonly waiting: number
  /** Minutes of outdoor work in the hot hours. */
  readonly hot: number
  /** Value of what is left undone. */
  readonly left: number
  /** When the last walker is back. */
  readonly back: number
  /** What is minimised. */
  readonly total: number
}

/** Sequences of steps, by index, one list a walker; a step of two people stands in two lists. */
export type Sequences = readonly (readonly number[])[]

/** The earliest start at or after an instant at which so many minutes fit a window; null: never. */
export function fits(v: RouteStep, ready: number): number | null {
  if (v.windows.length === 0) return ready
  let best: number | null = null
  for (const w of v.windows) {
    const start = Math.max(ready, w.from)
    if (start + v.minutes <= w.to + 1e-9 && (best === null || start < best)) best = start
  }
  return best
}

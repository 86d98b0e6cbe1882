import { requirePositive } from '../quantity/index.ts'

/** One value of a meter's stream: milliseconds since any start, and the value in the quantity's own unit. */
export interface Sample {
  readonly at: number
  readonly value: number
  /** The meter shows over range and no figure. */
  readonly over?: boolean
}

/** What a stream has come to. */
export type Steadiness =
  /** Too little of it yet. `share` of the window that is filled. */
  | { readonly kind: 'filling'; readonly share: number }
  /** Still rising or falling: `perSecond` in the quantity's unit. */
  | { readonly kind: 'drifting'; readonly perSecond: number; readonly value: number }
  /** Jumps about without going anywhere. `spread` is half the range that holds most values. */
  | { readonly kind: 'wandering'; readonly spread: number; readonly value: number }
  /** Over range throughout: an open circuit, or insulation beyond the tester. */
  | { readonly kind: 'over range' }
  | { readonly kind: 'settled'; readonly value: number; readonly spread: number }

/** How steady is steady: over this window, within these bounds. */
export interface Demand {
  /** Length of the window, milliseconds. */
  readonly windowMs: number
  /** Fewest samples in it. */
  readonly fewest: number
  /** Most that the fitted line may move over the window, as a fraction of the value. */
  readonly drift: number
  /** Most that values may scatter about it, as a fraction of the value. */
  readonly scatter: number
  /** The last digit of the meter: less than this is never called a movement. */
  readonly digit: number
}

/** For a clamp on a running motor: two seconds within one per cent. */
export const clampDemand: Demand = { windowMs: 2000, fewest: 10, drift: 0.01, scatter: 0.012, digit: 0.01 }
/** For ohms through hand-held probes: three seconds, since a poor contact shows late. */
export const ohmsDemand: Demand = { windowMs: 3000, fewest: 12, drift: 0.01, scatter: 0.01, digit: 0.002 }

const sorted = (v: readonly number[]) => [...v].sort((a, b) => a - b)
const middle = (v: readonly number[]) => {
  const s = sorted(v)
  const h = s.length >> 1
  return s.length % 2 === 1 ? (s[h] ?? 0) : ((s[h - 1] ?? 0) + (s[h] ?? 0)) / 2
}

/**
 * Judge the latest window of a stream. The movement is the difference of the medians of its last and first third, so
 * that one wild sample neither makes nor breaks it; the scatter is the median distance from the median, widened to a
 * spread.
 * @param samples in order of time
 * @throws RangeError when the demand's window is not above zero
 * @source robust statistics: median, and median absolute deviation times 1.4826
 */
export function steadiness(samples: readonly Sample[], demand: Demand): Steadiness {
  requirePositive('windowMs', demand.windowMs)
  const last = samples.at(-1)
  if (!last) return { kind: 'filling', share: 0 }
  const from = last.at - demand.windowMs
  const window = samples.filter((s) => s.at >= from)
  const first = samples[0]
  const covered = first ? Math.min(1, (last.at - first.at) / demand.windowMs) : 0
  const share = Math.min(covered, window.length / demand.fewest)
  if (share < 1) return { kind: 'filling', share }
  const overs = window.filter((s) => s.over === true).length
  if (overs === window.length) return { kind: 'over range' }
  const values = window.filter((s) => s.over !== true).map((s) => s.value)
  const value = middle(values)
  // A stream that drops out of range now and then is a contact that makes and breaks.
  if (overs > 0) return { kind: 'wandering', spread: Math.max(...values) - Math.min(...values), value }
  const third = Math.max(1, Math.floor(values.length / 3))
  const moved = middle(values.slice(-third)) - middle(values.slice(0, third))
  const spread = 1.4826 * middle(values.map((v) => Math.abs(v - value)))
  const size = Math.abs(value)
  const range = sorted(values)
  const inner = (range[Math.floor(range.length * 0.9)] ?? 0) - (range[Math.floor(range.length * 0.1)] ?? 0)
  const still = Math.abs(moved) <= Math.max(demand.drift * size, demand.digit)
  const quiet =
    spread <= Math.max(demand.scatter * size, demand.digit) &&
    inner <= Math.max(4 * demand.scatter * size, 4 * demand.digit)
  if (still && quiet) return { kind: 'settled', value, spread }
  // A movement that outruns the scatter is a drift; one that is lost in it is wander.
  if (!still && Math.abs(moved) > 1.5 * spread)
    return { kind: 'drifting', perSecond: (moved / demand.windowMs) * 1500, value }
  return { kind: 'wandering', spread: Math.max(spread, inner / 2), value }
}

/** The greatest value of a stream that is not over range: the inrush of a start. Null without samples. */
export function peak(samples: readonly Sample[]): number | null {
  const values = samples.filter((s) => s.over !== true).map((s) => s.value)
  return values.length === 0 ? null : Math.max(...values)
}

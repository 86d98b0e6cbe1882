import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** Start values where no part of a kind has a known life here. Years. @source common practice */
export const usualYears: Readonly<Record<string, number>> = {
  belt: 2,
  filter: 0.25,
  bearing: 6,
  sheave: 8,
  capacitor: 5,
  fuse: 5,
  motor: 12,
  contactor: 8,
}

/**
 * Chance that more than so many are wanted.
 * @param mean wanted on the average
 * @source Poisson: 1 − Σ e^−λ λ^k / k!
 */
export function chanceOver(count: number, mean: number): number {
  requireMagnitude('count', count)
  requireMagnitude('mean', mean)
  // In logarithms: at a mean over 700 the first term is smaller than the smallest number.
  let term = -mean
  let sum = Math.exp(term)
  for (let k = 1; k <= Math.floor(count); k++) {
    term += Math.log(mean) - Math.log(k)
    sum += Math.exp(term)
  }
  return mean === 0 ? 0 : Math.min(1, Math.max(0, 1 - sum))
}

/** What to keep of an item. */
export interface Reorder {
  /** Wanted in a year. */
  readonly perYear: number
  /** Order when fewer are left. */
  readonly min: number
  readonly max: number
  /** Chance to run out before what is ordered today is here. */
  readonly risk: number
}

/** Chance to run out that is lived with. @source common practice */
export const acceptedRisk = 0.05
/** What is ordered at once lasts so long. Years. */
const orderYears = 0.25

/** What of an item is in service. */
export interface InService {
  /** Machines that take it, and pieces in all: a machine takes its belts as a set. */
  readonly machines: number
  readonly pieces: number
  /** How long one lasts. */
  readonly years: number
  /** Until an order is here. */
  readonly leadDays: number
}

/**
 * Minimum and maximum of an item by what wears out and how long it takes to come. A machine takes its set at once.
 * @param free on hand and held by nobody
 */
export function reorder({ machines, pieces, years, leadDays }: InService, free: number): Reorder {
  requireMagnitude('machines', machines)
  requireMagnitude('pieces', pieces)
  requirePositive('years', years)
  requireMagnitude('leadDays', leadDays)
  if (machines === 0 || pieces === 0) return { perYear: 0, min: 0, max: 0, risk: 0 }
  const set = Math.ceil(pieces / machines)
  const setsPerYear = machines / years
  const mean = (setsPerYear * leadDays) / 365
  let sets = 0
  while (chanceOver(sets, mean) > acceptedRisk) sets++
  const min = set * sets
  return {
    perYear: pieces / years,
    min,
    max: min + set * Math.ceil(setsPerYear * orderYears),
    risk: chanceOver(Math.floor(Math.max(0, free) / set), mean),
  }
}

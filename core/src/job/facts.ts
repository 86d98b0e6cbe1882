import type { QuantityCode, Reading } from '../quantity/index.ts'
import type { VisitState } from '../trend/index.ts'
import type { BurnTest } from './burn.ts'
import type { Offer } from './option.ts'
import type { Measured } from './parts/point.ts'

export const decisions = ['told', 'quoted', 'approved', 'declined', 'postponed'] as const
export type Decision = (typeof decisions)[number]
export const means = ['in person', 'phone', 'text', 'e-mail', 'paper', 'link'] as const
export type Means = (typeof means)[number]

/** What brings a postponed job back: a day, a figure that rose by a share, or the next visit. */
export interface Trigger {
  /** ISO date. */
  readonly on: string | null
  readonly quantity: QuantityCode | null
  /** Fraction. */
  readonly rise: number | null
  readonly nextVisit: boolean
}

/** What happened on a job, each a fact of its own. */
export type JobFact = { readonly id: string; readonly at: number; readonly by: string } & (
  | {
      readonly kind: 'decision'
      readonly decision: Decision
      readonly who: string
      readonly means: Means
      readonly words: string
      readonly trigger: Trigger | null
      /** Of which offer which option was chosen, counted from 0; null or left out: of none. */
      readonly chosen?: { readonly offerId: string; readonly option: number } | null
    }
  | ({ readonly kind: 'offer'; /** ISO date at the site, until which it holds. */ readonly validUntil: string } & Offer)
  | {
      readonly kind: 'done'
      readonly step: string
      readonly note: string
      /** Tools and loose parts, where they are counted. */
      readonly count?: number | null
    }
  /** A combustion test: it does its step where it is good, and takes it back where it is not. */
  | { readonly kind: 'burn'; readonly step: string; readonly test: BurnTest }
  /** One way a stuck hub was tried. */
  | {
      readonly kind: 'rung'
      readonly step: string
      readonly rung: string
      readonly minutes: number
      readonly freed: boolean
    }
  /** What was measured of the new parts: it does its step where they fit, and takes it back where they do not. */
  | { readonly kind: 'check'; readonly step: string; readonly measured: readonly Measured[]; readonly note: string }
  | { readonly kind: 'undone'; readonly step: string }
  | { readonly kind: 'skipped'; readonly step: string; readonly reason: string }
  | {
      readonly kind: 'permit'
      readonly wrong: string
      readonly limits: string
      readonly accepts: string
      readonly until: string
      readonly readOn: string
    }
  /** A part that will do until a day, ISO at the site. */
  | { readonly kind: 'substitute'; readonly part: string; readonly inPlace: string; readonly until: string }
  | { readonly kind: 'paused'; readonly safe: string }
  | { readonly kind: 'resumed' }
  | {
      readonly kind: 'closed'
      readonly reason: string
      readonly cause: 'right' | 'wrong' | 'not known'
      /** Hours of all hands, and money for parts and access, as they came out; null: nobody wrote them down. */
      readonly hours?: number | null
      readonly money?: number | null
    }
)

/** Facts as they happened. */
export const inOrder = (facts: readonly JobFact[]): JobFact[] =>
  [...facts].sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1))

/** Something bad that stands at the machine: how it is said, and when it was last found so, ms since 1970. */
export interface Adverse {
  readonly words: string
  readonly at: number
}

/** Readings of a visit, as far as a job needs them. */
export interface ReadAt {
  readonly id: string
  readonly at: number
  readonly readings: readonly Reading[]
  /** As the machine was then; left out: nobody said. */
  readonly state?: VisitState
}

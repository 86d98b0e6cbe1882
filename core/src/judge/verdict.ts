import type { Basis } from '../limits/index.ts'
import type { Subject } from './subject.ts'

export const levels = ['ok', 'watch', 'fix', 'stop'] as const
export type Level = (typeof levels)[number]

/** A level, or that nothing was read which could be judged: that is never the same as OK. */
export type Overall = Level | 'not judged'

/** A level where something was judged, else null. */
export const judgedLevel = (level: Overall): Level | null => (level === 'not judged' ? null : level)

/** Order of levels, 0 for `ok` to 3 for `stop`. */
export const rank = (level: Level): number => levels.indexOf(level)

/** The worse of two levels. */
export const worse = (a: Level, b: Level): Level => (rank(a) >= rank(b) ? a : b)

/** What a reading means, with the number, the limit, where the limit comes from and what to do next. */
export interface Verdict {
  readonly check: string
  readonly level: Level
  readonly about: string
  readonly subject: Subject
  /** The leads, legs, spots or questions it speaks of; one empty position where it speaks of the whole. */
  readonly positions: readonly string[]
  /** False: too little, or in no fit state, to lower or close what was found before. */
  readonly settles: boolean
  /** Speaks of how this one visit was done; it opens nothing at the machine. */
  readonly ofVisit: boolean
  /** Where the past tells it: since when, ms since 1970. */
  readonly since?: number | undefined
  readonly value: number | null
  readonly limit: number | null
  readonly basis: readonly Basis[]
  readonly because: string
  readonly next: string
  /** Low when what was not said, or how it was read, could change the answer. */
  readonly confidence: 'full' | 'low'
}

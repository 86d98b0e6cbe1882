import type { Basis } from '../limits/index.ts'

export const levels = ['ok', 'watch', 'fix', 'stop'] as const
export type Level = (typeof levels)[number]

/** Order of levels, 0 for `ok` to 3 for `stop`. */
export const rank = (level: Level): number => levels.indexOf(level)

/** The worse of two levels. */
export const worse = (a: Level, b: Level): Level => (rank(a) >= rank(b) ? a : b)

/** What a reading means, with the number, the limit, where the limit comes from and what to do next. */
export interface Verdict {
  readonly check: string
  readonly level: Level
  readonly about: string
  readonly value: number | null
  readonly limit: number | null
  readonly basis: readonly Basis[]
  readonly because: string
  readonly next: string
  /** Low when what was not said, or how it was read, could change the answer. */
  readonly confidence: 'full' | 'low'
}

import type { Level, Verdict } from '../verdict.ts'

/** Something found at a machine that nobody has answered yet. */
export interface Condition {
  /** The check and its positions: what a person closes it by. */
  readonly key: string
  /** Never `ok`. */
  readonly level: Level
  readonly verdict: Verdict
  readonly positions: readonly string[]
  /** When it was first found, and when it was last found so, ms since 1970. */
  readonly since: number
  readonly seenAt: number
  /** Who found it, and the visit; null where it comes from the record or the whole past. */
  readonly by: string | null
  readonly visit: string | null
  /** A test that work asks for, and nobody has made yet. */
  readonly retest: boolean
  /** The day on which somebody said they look at it again; null where nobody did. */
  readonly until: number | null
  /** Put off to that day: it stands, and presses no more before it; a visit always does. */
  readonly putOff: boolean
}

/** A person closed a condition, or opened one again that was closed. */
export interface Closing {
  readonly key: string
  readonly at: number
  readonly kind: 'closed' | 'reopened'
  readonly by: string
  readonly reason: string
}

/** A finding that a person reported and nobody closed. */
export interface Reported {
  readonly id: string
  readonly at: number
  readonly by: string
  readonly level: Exclude<Level, 'ok'>
  readonly text: string
  readonly until: number | null
  readonly putOff: boolean
}

export const keyOf = (check: string, positions: readonly string[]): string =>
  `${check}@${[...positions].sort().join(',')}`

/** The check and the positions of a key. */
export function partsOf(key: string): { readonly check: string; readonly positions: readonly string[] } {
  const at = key.indexOf('@')
  return at < 0 ? { check: key, positions: [''] } : { check: key.slice(0, at), positions: key.slice(at + 1).split(',') }
}

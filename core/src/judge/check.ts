import type { Context } from './context.ts'
import type { Verdict } from './verdict.ts'

/** One thing a stop is judged for. One file each; a new one is a line in the register. */
export interface Check {
  readonly id: string
  readonly title: string
  /** Does it have anything to say about this machine and these readings? */
  applies(context: Context): boolean
  judge(context: Context): Verdict
}

type Said = Pick<Verdict, 'level' | 'because' | 'next' | 'basis'> &
  Partial<Pick<Verdict, 'value' | 'limit' | 'confidence'>>

/** A verdict of a check; what is left out is null, or full confidence. */
export const verdict = (check: Pick<Check, 'id' | 'title'>, said: Said): Verdict => ({
  check: check.id,
  about: check.title,
  value: null,
  limit: null,
  confidence: 'full',
  ...said,
})

import type { Cause, Result } from '../knowledge/cause.ts'

export type Confidence = 'proven' | 'very likely' | 'likely' | 'open'

/** Proof that is still missing for a cause. */
export const missingProof = (cause: Cause, results: readonly Result[]): readonly Result[] =>
  cause.proof.filter(([test, outcome]) => !results.some(([t, o]) => t === test && o === outcome))

/** A proof that half of the machines show anyway proves nothing while another cause is likely. */
const proven = 0.85

/**
 * How sure a cause is. Proven takes every result of its proof; nothing is proven by the others being unlikely.
 * @param p how likely it is, a fraction
 */
export function confidenceOf(cause: Cause | undefined, p: number, results: readonly Result[]): Confidence {
  if (cause && p >= proven && missingProof(cause, results).length === 0) return 'proven'
  return p >= 0.9 ? 'very likely' : p >= 0.6 ? 'likely' : 'open'
}

/** So sure of a cause, proven or not, more tests are not worth their minutes. */
const sureProven = 0.96
const sure = 0.98

/** Is the search over: proven, or nothing else left worth a test? */
export const settled = (cause: Cause | undefined, p: number, results: readonly Result[]): boolean =>
  p > sure || (p > sureProven && confidenceOf(cause, p, results) === 'proven')

import { complaints } from '../knowledge/complaints.ts'
import type { Result } from '../knowledge/cause.ts'
import type { Disagreement } from './contradictions.ts'

/** Reports of something that can be seen only while it happens. */
const passing: readonly string[] = ['dead', 'hums', 'trips', 'ol-trips', 'comes-goes', 'vfd-alarm']
/** Results that show the fault, though it runs now. */
const shown: readonly Result[] = [
  ['pole-drop', 'hot'],
  ['terminals', 'loose'],
  ['temps', 'shell'],
  ['load', 'over'],
  ['amps', 'uneven'],
  ['cap-uf', 'weak'],
]

/**
 * A report that what was found does not bear out: it is followed up, and no part is replaced for it.
 * @returns null where it is borne out, or was never looked at
 */
export function reportedNotFound(complaint: string | null, results: readonly Result[]): Disagreement | null {
  if (complaint === null || !passing.includes(complaint)) return null
  const has = ([test, outcome]: Result) => results.some(([t, o]) => t === test && o === outcome)
  if (!has(['see-fan', 'runs']) || shown.some(has) || has(['run-trip', 'heat']) || has(['run-trip', 'amps']))
    return null
  const words = complaints.find((c) => c.id === complaint)?.words ?? ''
  return {
    tests: ['run-trip', 'ask-when'],
    because: `Reported as "${words}", and it runs now.`,
    next: 'Do not replace a part for something nobody has measured. Ask who saw it, when, and in what weather; run it under a logging clamp until it stops.',
  }
}

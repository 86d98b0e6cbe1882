import type { WorkKindId } from '../trend/index.ts'
import { jobKindOf } from './kinds.ts'
import { workEnded, type JobStands } from './job.ts'

/** Work that a job came to, for the record of its machine. */
export interface WorkOfJob {
  readonly kind: WorkKindId
  /** ms since 1970: the end of the work, before anything is read that proves it. */
  readonly at: number
}

/**
 * What a job did to its machine, once the work itself is done: trends begin anew with it, and what has to be read again is asked for.
 * Of a kind whose steps were all skipped nothing was done.
 */
export function jobWork(kinds: readonly string[], stands: Pick<JobStands, 'steps'>): readonly WorkOfJob[] {
  const at = workEnded(stands.steps)
  if (at === null) return []
  const did = kinds.filter((k) => stands.steps.some((s) => s.kind === k && s.state === 'done'))
  return [...new Set(did.flatMap((k) => jobKindOf.get(k)?.work ?? []))].map((kind) => ({ kind, at }))
}

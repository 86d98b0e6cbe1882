import { longestPause } from './pauses.ts'
import type { Pause } from './task.ts'
import { roundVisitState, type RoundEventFact, type RoundVisitState } from './visit-state.ts'

/**
 * A machine may take a person there more than once: to lock it out and leave it alone, for the work, and to read the
 * amps again once what was changed has settled.
 */
export type StepPart = 'lock' | 'work' | 'proof'

/** The name of a step in a plan: the machine alone for the work, `machine:lock` and `machine:proof` beside it. */
export const stepId = (machineId: string, part: StepPart): string =>
  part === 'work' ? machineId : `${machineId}:${part}`

/** The machine and part a step names. */
export function stepOf(step: string): { readonly machineId: string; readonly part: StepPart } {
  const [machineId = '', part] = step.split(':')
  return { machineId, part: part === 'lock' || part === 'proof' ? part : 'work' }
}

/** How long a machine is left alone on a round, before its work and after it; null: not at all. */
export const pausesOf = (
  tasks: readonly { readonly rest: Pause | null; readonly settle: Pause | null }[],
): { readonly rest: Pause | null; readonly settle: Pause | null } => ({
  rest: longestPause(...tasks.map((t) => t.rest)),
  settle: longestPause(...tasks.map((t) => t.settle)),
})

/** What became of a step: of the work that is what became of the machine; the proof is a second visit after it. */
export function stepState(events: readonly RoundEventFact[], step: string): RoundVisitState {
  const { machineId, part } = stepOf(step)
  const main = roundVisitState(events, machineId)
  if (part === 'work') return main
  if (part === 'lock') return main === 'began' ? 'done' : main
  if (main !== 'done') return main === 'skipped' ? 'skipped' : 'open'
  const own = events.filter((e) => e.machineId === machineId)
  const done = own.filter((e) => e.kind === 'done')
  if (new Set(done.map((e) => e.visitId)).size > 1) return 'done'
  const later = own.filter((e) => Date.parse(e.at) > Date.parse(done[0]?.at ?? ''))
  if (later.some((e) => e.kind === 'skipped')) return 'skipped'
  return later.some((e) => e.kind === 'began') ? 'began' : 'open'
}

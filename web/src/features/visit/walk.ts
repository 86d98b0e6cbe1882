import { checksOf, type MachineFacts, type PhaseId, type ScopeId } from '@motor-round/core/judge'

/** The page that says the state the machine is in; it comes first of all. */
export const stateStep = 'state'

/** Where one stands in a visit: a phase, and in it a check. */
export interface Step {
  readonly phase: PhaseId
  readonly check: string
}

/** Every step of a visit in the order it is walked, in the phases it goes through. A phase without checks is one step of its own. */
export function stepsOf(machine: MachineFacts, scope: ScopeId, phases: readonly PhaseId[]): Step[] {
  return phases.flatMap((phase) => {
    const own = checksOf(machine, scope, phase).map((c) => ({ phase, check: c.id }))
    if (phase === 'look') return [{ phase, check: stateStep }, ...own]
    return own.length > 0 ? own : [{ phase, check: '' }]
  })
}

/** The step before or after another; itself at the ends. */
export function stepFrom(steps: readonly Step[], here: Step, by: 1 | -1): Step {
  const i = steps.findIndex((s) => s.phase === here.phase && s.check === here.check)
  return steps[i + by] ?? here
}

/** The first step of a phase. */
export const firstOf = (steps: readonly Step[], phase: PhaseId): Step =>
  steps.find((s) => s.phase === phase) ?? { phase, check: '' }

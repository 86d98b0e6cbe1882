import { checksOf, type CheckDefinition, type MachineFacts, type PhaseId, type ScopeId } from '@motor-round/core/judge'
import type { QuantityCode } from '@motor-round/core/quantity'

/** The page that says the state the machine is in; it comes first of all. */
export const stateStep = 'state'

/** Where one stands in a visit: a phase, and in it a check. */
export interface Step {
  readonly phase: PhaseId
  readonly check: string
}

/** The quantities that a visit is for, where it is for some alone; null: for all of its scope. */
export type Only = readonly QuantityCode[] | null

/** What keeps people safe is asked whole, whatever a visit is for. */
const whole: readonly PhaseId[] = ['safe', 'restore', 'leave']

/** The checks of a phase that a visit asks for. */
export const checksIn = (
  machine: MachineFacts,
  scope: ScopeId,
  phase: PhaseId,
  only: Only,
): readonly CheckDefinition[] => {
  if (only === null || whole.includes(phase)) return checksOf(machine, scope, phase)
  // Electrical or mechanical: what is asked for is asked.
  const own = checksOf(machine, 'both', phase)
  const asked = own.filter((c) =>
    c.groups(machine).some((g) => g.asks.some((a) => a.kind === 'reading' && only.includes(a.quantity))),
  )
  // Power comes back on all dead tests of a circuit, not on the one that was asked for.
  const circuit = phase === 'dead' && asked.some((c) => c.part === 'electric')
  return circuit ? own.filter((c) => c.part === 'electric' || asked.includes(c)) : asked
}

/** Every step of a visit in the order it is walked, in the phases it goes through. A phase without checks is one step of its own. */
export function stepsOf(machine: MachineFacts, scope: ScopeId, phases: readonly PhaseId[], only: Only = null): Step[] {
  return phases.flatMap((phase) => {
    const own = checksIn(machine, scope, phase, only).map((c) => ({ phase, check: c.id }))
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

import type { Gate, Judgement } from '@motor-round/core/judge'
import type { GateId } from '@motor-round/core/trend'
import { gateBefore } from './phase-nav.tsx'
import { firstOf, type Step } from './walk.ts'

export interface GatesHere {
  /** The gate that is locked before this step; null: none. */
  readonly gate: Gate | null
  /** Line-side volts come before the bump: a wrong supply is found at the last switch, not at the motor. */
  readonly unread: boolean
  /** What was lifted or opened and is not entered as back; null where nothing is missing. */
  readonly closing: Gate | null
  /** Where what a gate still asks for is entered. */
  readonly behind: Partial<Record<GateId, Step>>
}

/**
 * The gates of a visit as they stand before one of its steps.
 * @param holding the gates that this visit waits for
 */
export function gatesHere(
  judgement: Judgement | null,
  holding: readonly GateId[],
  steps: readonly Step[],
  step: Step,
): GatesHere {
  const locked = (id: GateId) => judgement?.gates.find((g) => g.id === id && !g.open) ?? null
  const id = step.phase === 'restore' && step.check !== 'inhibit' ? 'restore' : gateBefore[step.phase]
  return {
    gate: id !== undefined && holding.includes(id) ? locked(id) : null,
    unread:
      step.check === 'rotation' &&
      holding.includes('live') &&
      judgement?.gates.some((g) => g.id === 'live' && g.steps.some((s) => s.id === 'line' && !s.met)) === true,
    closing: holding.includes('close') ? locked('close') : null,
    behind: {
      close: firstOf(steps, 'leave'),
      dead: firstOf(steps, 'safe'),
      restore: firstOf(steps, 'restore'),
      live: locked('restore') ? firstOf(steps, 'restore') : { phase: 'restore', check: 'line-side' },
    },
  }
}

import { phases, type Gate, type PhaseId } from '@motor-round/core/judge'
import type { GateId } from '@motor-round/core/trend'

/** Which gate stands before a phase. */
export const gateBefore: Partial<Record<PhaseId, Gate['id']>> = { dead: 'dead', live: 'live' }

/** The phases as a row of words; one behind a shut gate says so. */
export function PhaseNav({
  walked,
  held,
  here,
  gates,
  unsaid,
  go,
}: {
  /** The phases of this visit, and the gates that hold it. */
  walked: readonly PhaseId[]
  held: readonly GateId[]
  here: PhaseId
  gates: readonly Gate[]
  unsaid: boolean
  go: (phase: PhaseId) => void
}) {
  const shut = (phase: PhaseId) => gates.some((g) => g.id === gateBefore[phase] && held.includes(g.id) && !g.open)
  return (
    <nav className="visit-steps" aria-label="Phases">
      {phases
        .filter((p) => walked.includes(p.id))
        .map((p) => (
          <button
            key={p.id}
            type="button"
            aria-current={here === p.id ? 'step' : undefined}
            onClick={() => go(p.id)}
            className={shut(p.id) ? 'tab phase-shut' : 'tab'}
          >
            {p.words}
            {p.id === 'look' && unsaid ? <small> not entered</small> : null}
            {shut(p.id) ? <small> locked</small> : null}
          </button>
        ))}
    </nav>
  )
}

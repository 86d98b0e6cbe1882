import { gatesOf, phases, plans, type Gate, type PhaseId, type PlanId } from '@motor-round/core/judge'

/** Which gate stands before a phase. */
export const gateBefore: Partial<Record<PhaseId, Gate['id']>> = { dead: 'dead', live: 'live' }

/** The phases as a row of words; one behind a shut gate says so. */
export function PhaseNav({
  plan,
  here,
  gates,
  unsaid,
  go,
}: {
  plan: PlanId
  here: PhaseId
  gates: readonly Gate[]
  unsaid: boolean
  go: (phase: PhaseId) => void
}) {
  const shut = (phase: PhaseId) =>
    gates.some((g) => g.id === gateBefore[phase] && gatesOf[plan].includes(g.id) && !g.open)
  return (
    <nav className="stop-steps" aria-label="Phases">
      {phases
        .filter((p) => plans[plan].includes(p.id))
        .map((p) => (
          <button
            key={p.id}
            type="button"
            aria-current={here === p.id ? 'step' : undefined}
            onClick={() => go(p.id)}
            className={shut(p.id) ? 'phase-shut' : ''}
          >
            {p.words}
            {p.id === 'look' && unsaid ? <small> not said</small> : null}
            {shut(p.id) ? <small> shut</small> : null}
          </button>
        ))}
    </nav>
  )
}

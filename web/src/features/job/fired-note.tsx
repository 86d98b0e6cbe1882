import type { Fired, JobStands } from '@motor-round/core/job'
import { figureWords, type ShownUnits } from '@motor-round/core/quantity'
import { shortDay } from '../../app/dates.ts'

const why = {
  day: 'Its day has come.',
  rise: 'What it watches has grown.',
  visit: 'The machine was visited again.',
} as const

/** A postponed job that is due again, and what waiting did. */
export function FiredNote({
  fired,
  decision,
  units,
  now,
}: {
  fired: Fired
  decision: JobStands['decision']
  units: ShownUnits
  now: number
}) {
  const { figure } = fired
  return (
    <p className="note tone-fix" role="alert">
      <b>Postponed, and due again.</b> {why[fired.because]}
      {figure && decision
        ? ` ${figure.words} ${figureWords(figure.quantity, figure.then, units)} → ${figureWords(figure.quantity, figure.now, units)} since it was postponed on ${shortDay(new Date(decision.at).toISOString(), now)}.`
        : ''}
    </p>
  )
}

import type { Fired, JobStands } from '@motor-round/core/job'
import { amount } from '@motor-round/core/quantity'
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
  system,
  now,
}: {
  fired: Fired
  decision: JobStands['decision']
  system: 'us' | 'metric'
  now: number
}) {
  const { figure } = fired
  return (
    <p className="note tone-fix" role="alert">
      <b>Postponed, and due again.</b> {why[fired.because]}
      {figure && decision
        ? ` ${figure.words} ${amount(figure.then, figure.unit, system)} → ${amount(figure.now, figure.unit, system)} since it was postponed on ${shortDay(new Date(decision.at).toISOString(), now)}.`
        : ''}
    </p>
  )
}

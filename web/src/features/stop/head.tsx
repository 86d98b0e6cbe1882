import type { MachinePage, StopRecord } from '@motor-round/contract'
import { allowedCurrent } from '@motor-round/core/plate'
import { show } from '@motor-round/core/quantity'
import { Link } from 'react-router'
import { dayTime } from '../../app/dates.ts'

/** Tag, what it is and its plate, above everything. */
export function Head({
  page,
  old,
  meterOpen,
  toggleMeter,
}: {
  page: MachinePage
  old: StopRecord | null
  meterOpen: boolean
  toggleMeter: () => void
}) {
  const { machine, unit, motor } = page
  const allowed = allowedCurrent(
    motor?.plate ?? null,
    machine.unitPlate,
    machine.serviceVolts,
    motor?.connectionVolts ?? undefined,
  )
  const power = motor?.plate.power === undefined ? '' : ` · ${motor.plate.power} ${motor.plate.powerUnit ?? 'hp'}`
  return (
    <header className="stop-head">
      <div>
        <h1>
          {unit.tag} / {machine.tag}
        </h1>
        <p>
          {machine.purpose}
          {power} ·{' '}
          {allowed ? `plate ${show.amps(allowed.amps)} A at ${show.volts(allowed.columnVolts)} V` : 'no plate limit'}
        </p>
        {old ? <p>Correcting the stop of {dayTime(old.takenAt)}</p> : null}
      </div>
      <nav aria-label="This stop">
        <button type="button" aria-expanded={meterOpen} onClick={toggleMeter}>
          Meter
        </button>
        <Link to={`/machines/${machine.id}`}>Close</Link>
      </nav>
    </header>
  )
}

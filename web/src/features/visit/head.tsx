import type { MachinePage, VisitRecord } from '@motor-round/contract'
import { allowedCurrent, plateAtSpeed } from '@motor-round/core/plate'
import { show } from '@motor-round/core/quantity'
import type { VisitState } from '@motor-round/core/trend'
import { memo, Suspense, useState } from 'react'
import { Link, useLocation } from 'react-router'
import { dayTime } from '../../app/dates.ts'
import { comingFrom } from '../../app/way-back.ts'
import { useOnlyTab } from './use-only-tab.ts'
import { PictureButton, type PictureOf } from '../../parts/picture-button/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { lazyPart } from '../../parts/late-part/index.ts'

// Only some visits need it.
const FindingForm = lazyPart('The finding form', async () => (await import('../findings/index.ts')).FindingForm)

/** Tag, what it is and its plate, above everything. */
export const Head = memo(function Head({
  page,
  old,
  mode,
  back,
  picture,
  round,
  meterOpen,
  toggleMeter,
}: {
  page: MachinePage
  old: VisitRecord | null
  /** The mode it is read in: a motor of two speeds has amps for each. */
  mode: VisitState['mode']
  /** Where one came from. */
  back: string
  picture: PictureOf
  /** The round it is taken on. */
  round: string | null
  meterOpen: boolean
  toggleMeter: () => void
}) {
  const { machine, unit, motor } = page
  const at = useLocation()
  const [finding, setFinding] = useState(false)
  const only = useOnlyTab(`visit ${machine.id}`)
  const allowed = allowedCurrent(
    motor ? plateAtSpeed(motor.plate, mode).plate : null,
    machine.unitPlate,
    machine.serviceVolts,
    motor?.connectionVolts ?? undefined,
  )
  const power = motor?.plate.power === undefined ? '' : ` · ${motor.plate.power} ${motor.plate.powerUnit ?? 'hp'}`
  return (
    <>
      <header className="visit-head">
        <div>
          <h1>
            {unit.tag} / {machine.tag}
          </h1>
          <p>
            {/* What it may draw comes first: a narrow head cuts off the rest. */}
            {allowed ? (
              `Nameplate ${show.amps(allowed.amps)} A at ${show.volts(allowed.columnVolts)} V`
            ) : motor ? (
              'No nameplate limit'
            ) : (
              // What was typed of the visit stays as it is meanwhile.
              <Link to={`/machines/${machine.id}/motor${comingFrom(at)}`}>No nameplate: enter it</Link>
            )}
            {power} · {machine.purpose}
          </p>
          {only ? null : <p role="alert">This visit is open in another tab. Use one tab only: the last entry wins.</p>}
          {old ? <p>Correcting the visit of {dayTime(old.takenAt)}</p> : null}
        </div>
        <nav aria-label="This visit">
          <button type="button" aria-expanded={meterOpen} onClick={toggleMeter}>
            Meter
          </button>
          <PictureButton of={picture} />
          <button type="button" aria-expanded={finding} onClick={() => setFinding(!finding)}>
            Add finding
          </button>
          <Link to={back}>Close</Link>
        </nav>
      </header>
      {finding ? (
        <Suspense fallback={<Loading />}>
          <FindingForm
            of={{ machineId: machine.id, roundId: round, visitId: picture.visitId }}
            done={() => setFinding(false)}
          />
        </Suspense>
      ) : null}
    </>
  )
})

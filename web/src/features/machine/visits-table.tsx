import type { VisitRecord } from '@motor-round/contract'
import { legPositions, linePositions, neutralPositions, show, type ShownUnits } from '@motor-round/core/quantity'
import { Fragment, useState } from 'react'
import { Link } from 'react-router'
import { dayTime } from '../../app/dates.ts'
import { hasDetails, VisitDetails } from './visit-details.tsx'

const figures = (
  s: VisitRecord,
  quantity: string,
  positions: readonly string[],
  as: (v: readonly number[]) => readonly string[],
) =>
  as(
    positions.flatMap((p) => {
      const r = s.readings.find((x) => x.quantity === quantity && x.position === p)
      return r ? [r.value] : []
    }),
  ).join('  ')
const asVolts = (v: readonly number[]) => v.map(show.volts)

const stateWords = (s: VisitRecord): string => {
  const { state } = s
  return [
    state.settled === null ? '' : state.settled ? 'settled' : 'not settled',
    state.mode === null || state.mode === 'normal' ? '' : state.mode,
    state.twin === 'off' ? 'twin fan off' : '',
    state.panels === 'off' ? 'panels off' : '',
    state.filters === 'dirty' ? 'filters dirty' : state.filters === 'out' ? 'filters out' : '',
    state.turning === 'backwards' || state.turning === 'not turning' ? state.turning : '',
  ]
    .filter(Boolean)
    .join(', ')
}

/** Every visit, newest first. Corrected ones stay, struck out, with the reason beside what replaced them. */
export function VisitsTable({
  visits,
  more,
  mayCorrect,
  units,
}: {
  visits: readonly VisitRecord[]
  more: number
  mayCorrect: boolean
  units: ShownUnits
}) {
  const [open, setOpen] = useState<string | null>(null)
  const [all, setAll] = useState(false)
  const shown = all ? visits : visits.slice(0, 12)
  return (
    <>
      <div className="scroll-x" tabIndex={0} role="region" aria-label="Visits">
        <table className="table visits-table">
          <thead>
            <tr>
              <th>Date</th>
              <th>Volts</th>
              <th>Amps</th>
              <th>State</th>
              <th>By</th>
              <th>Note</th>
              <th>
                <span className="visually-hidden">Correct</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.map((s) => (
              <Fragment key={s.id}>
                <tr className={s.supersededBy ? 'visit-replaced' : ''}>
                  <td>{dayTime(s.takenAt)}</td>
                  <td className="figures">
                    {figures(s, 'volts_ll', linePositions, asVolts) ||
                      figures(s, 'volts_ln', neutralPositions, asVolts) ||
                      '–'}{' '}
                    V
                  </td>
                  <td className="figures">
                    {figures(s, 'amps', legPositions, show.ampsRow) || '–'} A
                    {figures(s, 'hz', ['motor'], (v) => v.map((hz) => `  ${hz} Hz`))}
                  </td>
                  <td>
                    {stateWords(s)}
                    {hasDetails(s) ? (
                      <button
                        type="button"
                        className="link-button"
                        aria-expanded={open === s.id}
                        onClick={() => setOpen(open === s.id ? null : s.id)}
                      >
                        {open === s.id ? 'less' : 'All readings'}
                      </button>
                    ) : null}
                  </td>
                  <td>{s.by}</td>
                  <td>
                    {s.note}
                    {s.supersedes ? <span className="quiet"> Corrects an earlier visit: {s.reason}</span> : null}
                    {s.supersededBy ? <span className="quiet"> Corrected, no longer counts.</span> : null}
                  </td>
                  <td>
                    {mayCorrect && !s.supersededBy ? (
                      <Link to={`/machines/${s.machineId}/visit?corrects=${s.id}`}>Correct</Link>
                    ) : null}
                  </td>
                </tr>
                {open === s.id ? (
                  <tr>
                    <td colSpan={7}>
                      <VisitDetails visit={s} units={units} />
                    </td>
                  </tr>
                ) : null}
              </Fragment>
            ))}
          </tbody>
        </table>
      </div>
      {visits.length > shown.length ? (
        <button type="button" className="link-button" onClick={() => setAll(true)}>
          Show {visits.length - shown.length} earlier visits
        </button>
      ) : null}
      {more > 0 ? <p className="quiet">{more} more are on record; export them under Import & export.</p> : null}
    </>
  )
}

import type { MachinePage } from '@motor-round/contract'
import type { PastChange } from '@motor-round/core/speed-change'
import { show } from '@motor-round/core/quantity'
import { Link } from 'react-router'
import { api } from '../../app/api.ts'
import { shortDay } from '../../app/dates.ts'
import { workWords } from './work-words.ts'

const off = (measured: number, predicted: number) => `${show.signed((measured / predicted - 1) * 100, 1)} %`

/** What became of what this machine's bench said: every change with a visit on both sides. */
export function OwnRecord({ changes, now }: { changes: readonly PastChange[]; now: number }) {
  if (changes.length === 0)
    return (
      <p className="quiet">
        No earlier speed change of this machine has a visit before and after it: the range comes from meter and sheave
        accuracy.
      </p>
    )
  return (
    <div className="scroll-x">
      <table className="table">
        <thead>
          <tr>
            <th scope="col">Change</th>
            <th scope="col" className="num">
              Before, A
            </th>
            <th scope="col" className="num">
              Predicted, A
            </th>
            <th scope="col" className="num">
              Measured, A
            </th>
            <th scope="col" className="num">
              Error
            </th>
          </tr>
        </thead>
        <tbody>
          {changes.map((c) => (
            <tr key={c.work.at}>
              <td>
                {shortDay(new Date(c.work.at).toISOString(), now)}: {workWords(c.work)}
              </td>
              <td className="num">{show.amps(c.was)}</td>
              <td className="num">{show.amps(c.predicted)}</td>
              <td className="num">{show.amps(c.measured)}</td>
              <td className="num">{off(c.measured, c.predicted)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

/** The bench's own record in this house: what it said before a change, and what was read after it. */
export function HouseRecord({ page, now }: { page: MachinePage | null; now: number }) {
  const speedChanges = api.useSpeedChangesQuery({}).data
  if (!speedChanges) return null
  const proven = speedChanges.filter((p) => p.speedChange.measured !== null)
  if (proven.length === 0)
    return (
      <p className="quiet">
        No planned speed change has been done and measured yet. Prediction errors will be listed here.
      </p>
    )
  const misses = proven
    .map((p) => Math.abs((p.speedChange.measured?.amps ?? 0) / p.speedChange.predicted.amps - 1))
    .sort((a, b) => a - b)
  const inside = proven.filter(
    (p) =>
      (p.speedChange.measured?.amps ?? 0) >= p.speedChange.predicted.low &&
      (p.speedChange.measured?.amps ?? 0) <= p.speedChange.predicted.high,
  ).length
  return (
    <>
      <p>
        Of {proven.length} changes {inside} were inside the predicted range; median error{' '}
        {show.percent(misses[Math.floor(misses.length / 2)] ?? 0)}, the worst {show.percent(misses.at(-1) ?? 0)} off.
      </p>
      <details>
        <summary>All of them</summary>
        <ul className="speed-record">
          {proven.map(({ speedChange, unitTag, tag }) => (
            <li key={speedChange.id}>
              <span>
                {speedChange.machineId === page?.machine.id ? (
                  <b>
                    {unitTag} / {tag}
                  </b>
                ) : (
                  <Link to={`/machines/${speedChange.machineId}`}>
                    {unitTag} / {tag}
                  </Link>
                )}{' '}
                <small>{speedChange.doneAt === null ? '' : shortDay(speedChange.doneAt, now)}</small>
              </span>
              <span>
                said {show.amps(speedChange.predicted.amps)} A, read {show.amps(speedChange.measured?.amps ?? 0)} A:{' '}
                {off(speedChange.measured?.amps ?? 0, speedChange.predicted.amps)}
              </span>
            </li>
          ))}
        </ul>
      </details>
    </>
  )
}

import type { MachinePage } from '@motor-round/contract'
import type { PastChange } from '@motor-round/core/speed-change'
import { show } from '@motor-round/core/quantity'
import { Link } from 'react-router'
import { api } from '../../app/api.ts'
import { shortDay } from '../../app/dates.ts'
import { DataTable } from '../../parts/data-table/index.ts'
import { workWords } from './work-words.ts'

const off = (measured: number, predicted: number) => `${show.signed((measured / predicted - 1) * 100, 1)} %`

/** Predicted and measured at this machine: every change with a visit on both sides. */
export function OwnRecord({ changes, now }: { changes: readonly PastChange[]; now: number }) {
  if (changes.length === 0)
    return (
      <p className="quiet">
        No earlier speed change of this machine has a visit before and after it: the range comes from meter and sheave
        accuracy.
      </p>
    )
  return (
    <DataTable<PastChange>
      label="Earlier changes"
      stacked
      rowKey={(c) => c.work.at}
      dataSource={[...changes]}
      columns={[
        {
          title: 'Change',
          key: 'change',
          rowScope: 'row',
          render: (_, c) => `${shortDay(new Date(c.work.at).toISOString(), now)}: ${workWords(c.work)}`,
        },
        { title: 'Before, A', key: 'was', className: 'num', render: (_, c) => show.amps(c.was) },
        { title: 'Predicted, A', key: 'predicted', className: 'num', render: (_, c) => show.amps(c.predicted) },
        { title: 'Measured, A', key: 'measured', className: 'num', render: (_, c) => show.amps(c.measured) },
        { title: 'Error', key: 'error', className: 'num', render: (_, c) => off(c.measured, c.predicted) },
      ]}
    />
  )
}

/** Predicted and measured at every machine. */
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
        <ul className="rows speed-record">
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

import { byNumber, byText, DataTable } from '../../parts/data-table/index.ts'
import type { ImportState } from '@motor-round/contract'
import { Link } from 'react-router'
import { shortDay } from '../../app/dates.ts'

const n = (value: number) => value.toLocaleString('en')
const count = (value: number, one: string, many: string) => `${n(value)} ${value === 1 ? one : many}`

/** What keeping the file will do, or did, in a foreman's words. */
export function ImportWords({ state }: { state: ImportState }) {
  const now = Date.parse(state.startedAt)
  const [one, many] =
    state.kind === 'register' ? (['machine', 'machines'] as const) : (['reading', 'readings'] as const)
  const done = state.status === 'done'
  return (
    <ul className="bullets">
      <li>
        <b>{count(state.added, one, many)}</b> {done ? 'added' : 'would be added'}
      </li>
      {state.changed > 0 ? (
        <li>
          <b>{count(state.changed, one, many)}</b> {done ? 'changed' : 'would change'}
        </li>
      ) : null}
      {state.already > 0 ? (
        <li>
          <b>{count(state.already, one, many)}</b> already on record, unchanged
        </li>
      ) : null}
      <li>
        {count(state.machines, 'machine', 'machines')} at {count(state.sites, 'site', 'sites')}
        {state.from && state.to ? `, ${shortDay(state.from, now)} to ${shortDay(state.to, now)}` : ''}; {n(state.rows)}{' '}
        rows checked
      </li>
    </ul>
  )
}

/** Errors at their line and column. */
export function ImportErrors({ state }: { state: ImportState }) {
  return (
    <div className="note tone-fix problem" role="alert">
      <h3>
        {count(state.errorCount, 'error', 'errors')} in {state.name}
      </h3>
      <p>{state.message}</p>
      <DataTable
        label="Errors"
        rowKey="n"
        dataSource={state.errors.slice(0, 100).map((e, n) => ({ ...e, n }))}
        columns={[
          {
            title: 'Line',
            key: 'line',
            align: 'right',
            className: 'num',
            render: (_, e) => (e.line === 0 ? '–' : e.line),
            sorter: byNumber((e) => e.line),
          },
          {
            title: state.kind === 'organization' ? 'Place' : 'Column',
            dataIndex: 'column',
            sorter: byText((e) => e.column),
          },
          { title: 'What is wrong', dataIndex: 'message', sorter: byText((e) => e.message) },
        ]}
      />
      {state.errorCount > 100 ? <p className="quiet">{n(state.errorCount - 100)} more errors are not shown.</p> : null}
    </div>
  )
}

/** Where to look once a file is kept. */
export function AfterImport() {
  return (
    <p>
      All machines in the file have new results.{' '}
      <Link to="/machines?level=stop,fix,watch">Show machines that need work</Link>
    </p>
  )
}

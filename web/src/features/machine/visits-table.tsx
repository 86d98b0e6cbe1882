import type { VisitRecord } from '@motor-round/contract'
import { legPositions, linePositions, neutralPositions, show, type ShownUnits } from '@motor-round/core/quantity'
import { Button, Table, type TableColumnsType } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { dayTime } from '../../app/dates.ts'
import { DataTable } from '../../parts/data-table/index.ts'
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
  const [all, setAll] = useState(false)
  const shown = all ? visits : visits.slice(0, 12)
  const columns: TableColumnsType<VisitRecord> = [
    { title: 'Date', key: 'date', rowScope: 'row', className: 'day', render: (_, s) => dayTime(s.takenAt) },
    {
      title: 'Volts',
      key: 'volts',
      className: 'figures',
      render: (_, s) =>
        `${figures(s, 'volts_ll', linePositions, asVolts) || figures(s, 'volts_ln', neutralPositions, asVolts) || '–'} V`,
    },
    {
      title: 'Amps',
      key: 'amps',
      className: 'figures',
      render: (_, s) =>
        `${figures(s, 'amps', legPositions, show.ampsRow) || '–'} A${figures(s, 'hz', ['motor'], (v) => v.map((hz) => `  ${show.trimmed(hz, 1)} Hz`))}`,
    },
    { title: 'State', key: 'state', render: (_, s) => stateWords(s) },
    { title: 'By', dataIndex: 'by' },
    {
      title: 'Note',
      key: 'note',
      render: (_, s) => (
        <>
          {s.note}
          {s.supersedes ? <span className="quiet"> Corrects an earlier visit: {s.reason}</span> : null}
          {s.supersededBy ? <span className="quiet"> Corrected, no longer counts.</span> : null}
        </>
      ),
    },
    Table.EXPAND_COLUMN,
    {
      title: <span className="visually-hidden">Correct</span>,
      key: 'correct',
      render: (_, s) =>
        mayCorrect && !s.supersededBy ? (
          <Link className="link-tall" to={`/machines/${s.machineId}/visit?corrects=${s.id}`}>
            Correct
          </Link>
        ) : null,
    },
  ]
  return (
    <>
      <DataTable<VisitRecord>
        label="Visits"
        stacked
        rowKey="id"
        dataSource={[...shown]}
        columns={columns}
        rowClassName={(s) => (s.supersededBy ? 'visit-replaced' : '')}
        expandable={{
          rowExpandable: hasDetails,
          expandedRowRender: (s) => <VisitDetails visit={s} units={units} />,
          columnWidth: 130,
          columnTitle: <span className="visually-hidden">All readings</span>,
          expandIcon: ({ expanded, expandable, onExpand, record }) =>
            expandable ? (
              <Button type="link" aria-expanded={expanded} onClick={(e) => onExpand(record, e)}>
                {expanded ? 'Fewer readings' : 'All readings'}
              </Button>
            ) : null,
        }}
      />
      {visits.length > shown.length ? (
        <Button type="link" onClick={() => setAll(true)}>
          Show {visits.length - shown.length} earlier visits
        </Button>
      ) : null}
      {more > 0 ? <p className="quiet">{more} more are on record; export them under Import & export.</p> : null}
    </>
  )
}

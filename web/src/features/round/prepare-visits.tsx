import { type MachinePage, type RoundPage, type RoundVisit } from '@motor-round/contract'
import { pausesOf, stepId } from '@motor-round/core/round'
import { legPositions, show } from '@motor-round/core/quantity'
import { Link } from 'react-router'
import { clockOf, spansText, shortDay } from '../../app/dates.ts'
import { DataTable } from '../../parts/data-table/index.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import { tagOf } from './words.ts'

/** Readings to beat: those of the last visit, and what the plate allows. */
function LastReadings({ page }: { page: MachinePage }) {
  const last = page.visits.find((s) => s.supersededBy === null && s.readings.some((r) => r.quantity === 'amps'))
  const amps = legPositions.flatMap(
    (p) => last?.readings.find((r) => r.quantity === 'amps' && r.position === p)?.value ?? [],
  )
  const megohms = page.visits.flatMap((s) => s.readings.filter((r) => r.quantity === 'megohms').map((r) => r.value))
  const allowed = page.judgement?.rail.allowed ?? null
  return (
    <>
      {amps.length === 0 ? 'never read' : `${show.ampsRow(amps).join(' ')} A`}
      {allowed === null ? '' : ` of ${show.amps(allowed)} A`}
      {megohms[0] === undefined ? '' : `, ${Math.round(megohms[0])} MΩ`}
    </>
  )
}

/** When a machine is locked out before its work, and when its amps are read again. */
function Pauses({ page, visit }: { page: RoundPage; visit: RoundVisit }) {
  const { rest, settle } = pausesOf(visit.tasks)
  const at = (part: 'lock' | 'proof') => {
    const step = page.route.steps.find((v) => v.step === stepId(visit.machineId, part))
    return step ? ` at ${clockOf(step.start)}` : ''
  }
  return (
    <>
      {rest === null ? null : (
        <div className="quiet" title={rest.because}>
          lock out{at('lock')}, wait {rest.minutes} min
        </div>
      )}
      {settle === null ? null : (
        <div className="quiet" title={settle.because}>
          read again{at('proof')}, {settle.minutes} min after
        </div>
      )}
    </>
  )
}

function Which({ visit, own }: { visit: RoundVisit; own: MachinePage | undefined }) {
  const power = own?.motor?.plate.power
  return (
    <>
      <Link to={`/machines/${visit.machineId}`}>
        <b>{tagOf(visit)}</b>
      </Link>
      <br />
      <span className="quiet">
        {visit.purpose || visit.areaName}
        {own && power ? ` · ${power} ${own.motor?.plate.powerUnit ?? 'hp'}, ${own.machine.serviceVolts} V` : ''}
      </span>
    </>
  )
}

function ToDo({ page, visit }: { page: RoundPage; visit: RoundVisit }) {
  return (
    <>
      {visit.tasks.map((t) => (
        <div key={t.task} title={t.why}>
          {t.title}
          {t.locksOut ? <span className="quiet"> locked out</span> : null}
        </div>
      ))}
      <Pauses page={page} visit={visit} />
      {visit.care.windows.length > 0 ? (
        <div className="quiet">may be shut down {spansText(visit.care.windows)}</div>
      ) : null}
    </>
  )
}

function StillOpen({
  page,
  visit,
  own,
  now,
}: {
  page: RoundPage
  visit: RoundVisit
  own: MachinePage | undefined
  now: number
}) {
  return (
    <>
      <LevelMark level={visit.level ?? 'not judged'} />{' '}
      {visit.level === 'ok' || visit.level === null ? '' : visit.headline}
      {page.findings
        .filter((f) => f.machineId === visit.machineId && f.state !== 'closed')
        .map((f) => (
          <div key={f.id}>
            {f.text}
            <span className="quiet">
              {f.owner === '' ? '' : ` · ${f.owner}`}
              {f.reviewOn === null ? '' : ` · put off to ${shortDay(`${f.reviewOn}T12:00:00Z`, now)}`}
            </span>
          </div>
        ))}
      {own?.speedChanges.some((p) => p.doneAt === null && p.droppedAt === null) ? (
        <div className="quiet">A speed change is waiting.</div>
      ) : null}
    </>
  )
}

export function Visits({
  page,
  order,
  pages,
  now,
}: {
  page: RoundPage
  order: readonly string[]
  now: number
  pages: ReadonlyMap<string, MachinePage>
}) {
  const rows = order.flatMap((id) => page.visits.find((s) => s.machineId === id) ?? [])
  return (
    <DataTable<RoundVisit>
      label="Visits in order"
      className="prepare-table"
      stacked
      rowKey="machineId"
      dataSource={rows}
      columns={[
        {
          title: 'At',
          key: 'at',
          className: 'num',
          render: (_, visit) => {
            const step = page.route.steps.find((v) => v.step === visit.machineId)
            return step ? clockOf(step.start) : '–'
          },
        },
        {
          title: 'Machine',
          key: 'machine',
          rowScope: 'row',
          render: (_, visit) => <Which visit={visit} own={pages.get(visit.machineId)} />,
        },
        { title: 'To do', key: 'tasks', render: (_, visit) => <ToDo page={page} visit={visit} /> },
        {
          title: 'Open conditions',
          key: 'open',
          render: (_, visit) => <StillOpen page={page} visit={visit} own={pages.get(visit.machineId)} now={now} />,
        },
        {
          title: 'Last readings',
          key: 'last',
          render: (_, visit) => {
            const own = pages.get(visit.machineId)
            return own ? <LastReadings page={own} /> : '…'
          },
        },
      ]}
    />
  )
}

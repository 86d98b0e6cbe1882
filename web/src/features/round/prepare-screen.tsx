import { corePart, type MachinePage, type RoundPage, type RoundVisit } from '@motor-round/contract'
import { type KitItem, kitOf, kitTogether, pausesOf, stepId } from '@motor-round/core/round'
import { legPositions, show } from '@motor-round/core/quantity'
import { Button } from 'antd'
import { Link, useParams } from 'react-router'
import { api } from '../../app/api.ts'
import { clockOf, spansText, shortDay } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { useNow } from '../../app/now.ts'
import { DataTable } from '../../parts/data-table/index.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import { Likely } from './likely.tsx'
import { usePages } from './use-pages.ts'
import { machineOrder, tagOf } from './words.ts'
import { Columns, Tiles } from '../../parts/columns/index.ts'
import './round.css'

/** The kit of one machine. */
const kitFor = (visit: RoundVisit, page: MachinePage, now: number): KitItem[] =>
  kitOf({
    tasks: visit.tasks.map((t) => t.task),
    parts: page.parts.map(corePart),
    controls: page.machine.controls,
    phases: page.machine.phases,
    now,
  })

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

function Kit({ items }: { items: readonly KitItem[] }) {
  const of = (kind: KitItem['kind']) => items.filter((i) => i.kind === kind)
  const words = (i: KitItem) =>
    i.unit === 'g' ? `${i.what}, ${i.count} g` : i.count > 1 ? `${i.count} × ${i.what}` : i.what
  return (
    <Tiles of={170}>
      {(
        [
          ['part', 'Parts by size'],
          ['lock', 'Locks and tags'],
          ['tool', 'Tools'],
        ] as const
      ).map(([kind, title]) =>
        of(kind).length === 0 ? null : (
          <div key={kind}>
            <h3>{title}</h3>
            <ul className="bullets">
              {of(kind).map((i) => (
                <li key={i.what}>{words(i)}</li>
              ))}
            </ul>
          </div>
        ),
      )}
    </Tiles>
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

function Visits({
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

/** One page to read before going up, and to print. */
export function PrepareScreen() {
  const id = useParams()['id'] ?? ''
  const query = api.useRoundQuery({ params: { id } })
  const now = useNow()
  const page = query.currentData
  const order = page ? machineOrder(page, null) : []
  const pages = usePages(order)
  if (query.error && !page)
    return (
      <div className="page">
        <FailureNote failure={query.error as Failure} kept="This round cannot be loaded." />
      </div>
    )
  if (!page) return <p className="page">Loading …</p>
  const visits = order.flatMap((m) => page.visits.find((s) => s.machineId === m) ?? [])
  const kit = kitTogether(
    visits.flatMap((s) => (pages.get(s.machineId) ? [kitFor(s, pages.get(s.machineId) as MachinePage, now)] : [])),
  )
  const tell = [
    ...new Set(visits.filter((s) => s.care.tell !== '').map((s) => `${s.care.tell}, before ${s.unitTag} is stopped`)),
  ]
  const care = (of: (s: RoundVisit) => string) => [
    ...new Set(visits.flatMap((s) => (of(s) === '' ? [] : [`${s.unitTag}: ${of(s)}`]))),
  ]
  const watch = care((s) => s.care.watch)
  const lift = care((s) => s.care.lift)
  const hazards = care((s) => s.care.hazards)
  const two = visits.filter((s) => page.route.steps.some((v) => v.step === s.machineId && v.walkers.length > 1))
  return (
    <div className="page stack prepare">
      <div className="between">
        <div>
          <h1>Prepare: {page.head.name}</h1>
          <p className="quiet">
            {shortDay(`${page.head.day}T12:00:00Z`, now)} · {page.head.people.map((p) => p.name).join(', ')} ·{' '}
            {visits.length} visits
          </p>
        </div>
        <div className="row no-print">
          <Button size="large" onClick={() => window.print()}>
            Print
          </Button>
          <Link to={`/tags?round=${id}`}>Tag sheet</Link>
          <Link to={`/rounds/${id}`}>Back to the round</Link>
        </div>
      </div>
      {page.note === '' ? null : <p className="note tone-watch">{page.note}</p>}
      <Columns of={[2, 1, 1]}>
        <section className="sheet">
          <h2>Bring</h2>
          {pages.size < visits.length ? (
            <p className="quiet">{visits.length - pages.size} machines are still loading.</p>
          ) : null}
          <Kit items={kit} />
        </section>
        <section className="sheet">
          <h2>Hazards</h2>
          <ul className="bullets">
            <li>Roof edge, hatch and ladder: keep hands free, haul tools up on a line.</li>
            <li>
              Lock out, keep the key, prove every pair and leg de-energized. Local codes and licensed practice govern.
            </li>
            {lift.map((l) => (
              <li key={l}>To lift, {l}</li>
            ))}
            {hazards.map((h) => (
              <li key={h}>{h}</li>
            ))}
          </ul>
        </section>
        <section className="sheet">
          <h2>Notify, and two-person work</h2>
          <ul className="bullets">
            {tell.map((t) => (
              <li key={t}>{t}</li>
            ))}
            {watch.map((w) => (
              <li key={w}>Watches the space: {w}</li>
            ))}
            {two.map((s) => {
              const v = page.route.steps.find((x) => x.step === s.machineId)
              return (
                <li key={s.machineId}>
                  Two at {tagOf(s)}
                  {v ? `, ${clockOf(v.start)}` : ''}
                </li>
              )
            })}
            {tell.length + watch.length + two.length === 0 ? (
              <li>Nobody to notify; no visit needs two people.</li>
            ) : null}
          </ul>
        </section>
      </Columns>
      <section className="sheet">
        <h2>Visits in order</h2>
        <Visits page={page} order={order} pages={pages} now={now} />
      </section>
      <Likely visits={visits} pages={pages} now={now} />
    </div>
  )
}

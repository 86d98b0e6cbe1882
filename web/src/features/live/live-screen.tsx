import { liveSpans, type LivePage, type LiveSpan, type MachinePage } from '@motor-round/contract'
import { hoursADay, liveQuantities } from '@motor-round/core/live'
import { plateForDrive } from '@motor-round/core/vfd'
import { Button, Segmented } from 'antd'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { dayTime, shortDay } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { standingOf, useJudgedPage, useSnapshot } from '../../app/judging.ts'
import { liveApi } from '../../app/live-api.ts'
import { useNow } from '../../app/now.ts'
import { useMay } from '../../app/shell/index.ts'
import { Columns } from '../../parts/columns/index.ts'
import { Facts } from '../../parts/facts/index.ts'
import { PageFailure } from '../../parts/fields/index.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { DaysPanel } from './days-panel.tsx'
import { LiveChart } from './live-chart.tsx'
import { OffHoursPanel } from './off-hours-panel.tsx'
import { agoWords } from './words.ts'
import './live.css'

const spanMs: Readonly<Record<LiveSpan, number>> = {
  day: 86_400_000,
  week: 7 * 86_400_000,
  month: 31 * 86_400_000,
  year: 366 * 86_400_000,
}
const spanWords: Readonly<Record<LiveSpan, string>> = { day: 'Day', week: 'Week', month: 'Month', year: 'Year' }
/** Nothing for so long is told: an hour is no coffee break of an instrument. */
const silent = 3_600_000

/** What its nameplate says of a quantity. */
function plateOf(page: MachinePage, quantity: string): number | null {
  if (quantity !== 'amps') return null
  const { machine, motor } = page
  return plateForDrive(motor?.plate ?? null, machine.serviceVolts, motor?.connectionVolts ?? null).amps
}

/** What it shows now, and how long it has said nothing. */
function NowPanel({ page, now }: { page: LivePage; now: number }) {
  const stale = page.last !== null && now - Date.parse(page.last) > silent
  const shown = liveQuantities.flatMap((q) => {
    const value = page.now[q.id]
    if (value === undefined) return []
    return [[q.title, q.unit === '' ? (value >= 0.5 ? 'yes' : 'no') : `${value.toFixed(1)} ${q.unit}`] as const]
  })
  return (
    <section className="sheet stack" aria-label="Now">
      <header>
        <h2>{stale ? 'Last seen' : 'Now'}</h2>
        <span className="quiet">{page.last === null ? '' : agoWords(page.last, now)}</span>
      </header>
      {page.last === null ? (
        <p>
          No live data came for this machine yet. A lead assigns the columns of the building’s files on{' '}
          <Link to="/live">Live data</Link>
          {' or turns on “Read it every minute” at its drive.'}
        </p>
      ) : (
        <Facts figures rows={shown} />
      )}
      {stale && page.last !== null ? (
        <p className="note tone-watch">
          <b>Nothing came since {dayTime(page.last)}.</b> Check the export of the building system, the folder, or the
          network of the drive. Earlier results still count.
        </p>
      ) : null}
      <p className="quiet">
        {page.polled ? 'Its drive is read every minute. ' : ''}
        {page.points
          .map((p) => `${liveQuantities.find((q) => q.id === p.quantity)?.title ?? ''} from “${p.name}”.`)
          .join(' ')}
      </p>
    </section>
  )
}

/** What was noticed: results of live data as they stand at the machine. */
function NoticedPanel({ page }: { page: MachinePage }) {
  const snapshot = useSnapshot(page)
  const judgement = snapshot ? standingOf(snapshot)?.judgement : undefined
  const own = (judgement?.verdicts ?? []).filter((v) => v.check.startsWith('live-'))
  if (own.length === 0)
    return page.live === null ? null : (
      <section className="sheet">
        <h2>Noticed</h2>
        <p className="quiet">
          {judgement ? 'Not enough live data yet.' : 'Judged after the first visit to the machine.'}
        </p>
      </section>
    )
  return (
    <section className="sheet" aria-label="Noticed">
      <header>
        <h2>Noticed</h2>
        <span className="quiet">counts at the machine like the results of a visit</span>
      </header>
      <ul className="rows live-noticed">
        {own.map((v) => (
          <li key={v.check}>
            <LevelMark level={v.level} filled />
            <div>
              <p>{v.because}</p>
              {v.level === 'ok' ? null : <p className="strong">{v.next}</p>}
            </div>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** What a machine's own instruments show, minute by minute. */
export function LiveScreen() {
  const id = useParams()['id'] ?? ''
  // What is shown while another span is on its way is never that of another machine.
  return <LiveOf key={id} id={id} />
}

function LiveOf({ id }: { id: string }) {
  const now = useNow()
  const mayLead = useMay('lead')
  const machine = useJudgedPage(id)
  const [span, setSpan] = useState<LiveSpan>('week')
  /** Null: up to now. */
  const [until, setUntil] = useState<number | null>(null)
  const query = liveApi.useLiveQuery(
    { params: { id }, query: { span, ...(until === null ? {} : { until: new Date(until).toISOString() }) } },
    until === null ? { pollingInterval: 60_000 } : {},
  )
  const known = machine.page
  const page = query.data
  const failure = (query.error as Failure | undefined) ?? machine.failure
  if (!page || !known)
    return failure ? <PageFailure failure={failure} kept="Live data cannot be loaded." /> : <Loading page />
  const hours = hoursADay(known.live)
  const move = (way: -1 | 1) => {
    const to = (until ?? Date.parse(page.to)) + way * spanMs[span]
    setUntil(to >= now ? null : to)
  }
  return (
    <div className="page stack live">
      <header>
        <h1 className="machine-tag">
          <Link to={`/machines/${id}`}>
            {known.unit.tag} / {known.machine.tag}
          </Link>{' '}
          · Live data
        </h1>
        <p className="quiet">
          {known.machine.purpose}
          {hours === null ? '' : ` · runs ${hours.perDay.toFixed(1)} h a day`}
        </p>
      </header>
      <Columns of={['400px', 1]}>
        <div className="stack">
          <NowPanel page={page} now={now} />
          <NoticedPanel page={known} />
          <OffHoursPanel id={id} page={page} mayLead={mayLead} />
        </div>
        <div className="stack">
          <section className="sheet stack" aria-label="Over time">
            <div className="between live-spans">
              <Segmented
                size="large"
                aria-label="Time shown"
                value={span}
                options={liveSpans.map((value) => ({ value, label: spanWords[value] }))}
                onChange={(s) => {
                  setSpan(s)
                  setUntil(null)
                }}
              />
              <div className="row">
                <Button size="large" onClick={() => move(-1)}>
                  Earlier
                </Button>
                <Button size="large" disabled={until === null} onClick={() => move(1)}>
                  Later
                </Button>
              </div>
            </div>
            <p className="quiet">
              {shortDay(page.from, now)} to {shortDay(page.to, now)}
              {span === 'day'
                ? ', every minute'
                : span === 'year'
                  ? ', day by day: mean, lowest, highest'
                  : ', hour by hour: mean, lowest, highest'}
            </p>
            {page.series.length === 0 ? <p>Nothing came in this time.</p> : null}
            {liveQuantities.flatMap((q) => {
              const series = page.series.find((s) => s.quantity === q.id)
              return series && series.points.length > 0
                ? [
                    <LiveChart
                      key={q.id}
                      series={series}
                      span={span}
                      from={page.from}
                      to={page.to}
                      plate={plateOf(known, q.id)}
                    />,
                  ]
                : []
            })}
          </section>
          <DaysPanel page={page} now={now} />
        </div>
      </Columns>
    </div>
  )
}

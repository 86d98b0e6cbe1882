import { Button, Select } from 'antd'
import dayjs from 'dayjs'
import { useSearchParams } from 'react-router'
import { api } from '../../app/api.ts'
import { reportsApi } from '../../app/reports-api.ts'
import type { Failure } from '../../app/failure.ts'
import { useNow } from '../../app/now.ts'
import { useMay } from '../../app/shell/index.ts'
import { RetryNote } from '../../parts/fields/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { LivesTable, ModelsTable, PostponedTable, WorkFigures } from './figures.tsx'
import { LevelChart } from './level-chart.tsx'
import { MailPanel } from './mail-panel.tsx'
import './reports.css'

const quarterOf = (at: dayjs.Dayjs) => `${at.year()}-Q${Math.floor(at.month() / 3) + 1}`
/** This quarter and the seven before it. */
const quarters = (now: number): string[] =>
  Array.from({ length: 8 }, (_, i) => quarterOf(dayjs(now).subtract(3 * i, 'month')))
const quarterWords = (q: string) => q.replace(/^(\d{4})-Q(\d)$/, 'Quarter $2 of $1')

/** A quarter in figures for the office, and who gets e-mails. */
export function ReportsScreen() {
  const now = useNow()
  const lead = useMay('lead')
  const [params, setParams] = useSearchParams()
  const quarter = params.get('quarter') ?? quarterOf(dayjs(now))
  const site = params.get('site') ?? undefined
  const asked = { quarter, ...(site === undefined ? {} : { site }) }
  const sites = api.usePlacesQuery({}).data?.sites ?? []
  const query = reportsApi.usePortfolioQuery({ query: asked }, { pollingInterval: 0 })
  const p = query.currentData
  // Earlier months come in while the page is open.
  reportsApi.usePortfolioQuery({ query: asked }, { pollingInterval: 5000, skip: p?.filling !== true })
  const set = (key: string, value: string | null) =>
    setParams(
      (old) => {
        const next = new URLSearchParams(old)
        if (value === null) next.delete(key)
        else next.set(key, value)
        return next
      },
      { replace: true },
    )
  const search = new URLSearchParams(asked).toString()
  return (
    <div className="page stack">
      <header className="between">
        <h1>Reports</h1>
        <div className="row">
          <Select
            aria-label="Quarter"
            size="large"
            value={quarter}
            options={quarters(now).map((value) => ({ value, label: quarterWords(value) }))}
            onChange={(q) => set('quarter', q)}
          />
          <Select
            aria-label="Site"
            size="large"
            popupMatchSelectWidth={false}
            value={site ?? ''}
            options={[{ value: '', label: 'All sites' }, ...sites.map((s) => ({ value: s.id, label: s.name }))]}
            onChange={(s) => set('site', s === '' ? null : s)}
          />
          <Button size="large" href={`/api/v1/portfolio.pdf?${search}`}>
            PDF
          </Button>
        </div>
      </header>
      {query.error && !p ? (
        <RetryNote failure={query.error as Failure} kept="The report cannot be loaded." />
      ) : !p ? (
        <Loading />
      ) : (
        <>
          <section className="sheet" aria-label="Levels over time">
            <header>
              <h2>Levels over time</h2>
              {p.filling ? <span role="status">Earlier months are being worked out …</span> : null}
            </header>
            <LevelChart levels={p.levels} />
          </section>
          <section className="sheet" aria-label="Work and money">
            <header>
              <h2>Work and money</h2>
            </header>
            <WorkFigures p={p} />
          </section>
          <section className="sheet" aria-label="Postponed work">
            <header>
              <h2>Postponed, and what waiting came to</h2>
            </header>
            <PostponedTable list={p.postponed} now={now} />
          </section>
          <div className="reports-columns">
            <section className="sheet" aria-label="Makers">
              <header>
                <h2>Motors by model, worst first</h2>
              </header>
              <ModelsTable list={p.models} />
            </section>
            <section className="sheet" aria-label="Lives">
              <header>
                <h2>How long parts last</h2>
              </header>
              <LivesTable list={p.lives} />
            </section>
          </div>
        </>
      )}
      {lead && (p || query.error) ? <MailPanel /> : null}
    </div>
  )
}

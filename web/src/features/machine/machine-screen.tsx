import { defaultPolicies } from '@motor-round/core/limits'
import { coreVisit, inputOf } from '@motor-round/contract'
import { pastChanges } from '@motor-round/core/speed-change'
import { ampsHistory, atOneHz, insulationHistory } from '@motor-round/core/judge'
import { Button } from 'antd'
import { Suspense, useEffect, useMemo, useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { dueWords } from '../../app/dates.ts'
import { standingOf, useJudgedPage, useSnapshot } from '../../app/judging.ts'
import { shownUnitsOf } from '../../app/shown-units.ts'
import { useNow } from '../../app/now.ts'
import { useMay } from '../../app/shell/index.ts'
import { PageFailure } from '../../parts/fields/index.ts'
import { FindingsPanel } from '../findings/index.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import { DrivePanel } from '../drive-train/index.ts'
import { wayBack } from './speed-change-line.tsx'
import { historiesOf } from './histories.ts'
import { AmpsPanel } from './amps-panel.tsx'
import { FactsPanel } from './facts-panel.tsx'
import { HistoriesPanel } from './histories-panel.tsx'
import { Latest } from './latest.tsx'
import { PicturesPanel } from './pictures-panel.tsx'
import { SpeedChangesPanel } from './speed-changes-panel.tsx'
import { PlatePanel } from './plate-panel.tsx'
import { RecordWork } from './record-work.tsx'
import { ResultsPanel } from './results-panel.tsx'
import { VisitsTable } from './visits-table.tsx'
import { Trail } from './trail.tsx'
import { Verdicts } from './verdicts.tsx'
import { WorkPanel } from './work-panel.tsx'
import { Columns } from '../../parts/columns/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { lazyPart } from '../../parts/late-part/index.ts'
import './machine.css'

const InsulationChart = lazyPart('The chart', async () => (await import('./insulation-chart.tsx')).InsulationChart)
const JobsPanel = lazyPart('The list of jobs', async () => (await import('../job/index.ts')).JobsPanel)
const MachineStock = lazyPart('The stock', async () => (await import('../stock/index.ts')).MachineStock)

/** A machine: plate, latest visit, what it says and why, amps over time, visits, work. */
export function MachineScreen() {
  const id = useParams()['id'] ?? ''
  const { page, failure } = useJudgedPage(id)
  const snapshot = useSnapshot(page)
  const now = useNow()
  const mayAct = useMay('mechanic')
  const navigate = useNavigate()
  const [working, setWorking] = useState(false)
  const standing = useMemo(() => snapshot && standingOf(snapshot), [snapshot])
  const judged = useMemo(() => {
    if (!snapshot || !standing?.visit) return null
    const { judgement, visit } = standing
    const input = inputOf(snapshot, visit)
    const changes = pastChanges(input)
    const history = ampsHistory(input)
    return {
      input,
      visit,
      judgement,
      history,
      oneHz: atOneHz(input, history),
      tests: insulationHistory(input).length,
      changes,
      way: wayBack(input, judgement, changes),
    }
  }, [snapshot, standing])
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const own = e.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT|BUTTON|A)$/.test(e.target.tagName)
      if (!own && e.key === 's' && !e.ctrlKey && !e.metaKey && mayAct) void navigate(`/machines/${id}/visit`)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [id, mayAct, navigate])

  if (failure && !page) return <PageFailure failure={failure} kept="This machine cannot be loaded." />
  if (!page) return <Loading page />
  const { machine, unit } = page
  const openTrace = page.traces.find((t) => !t.steps.some((s) => s.kind === 'closed'))
  const due = standing?.judgement.level === 'stop' ? { words: 'now' } : dueWords(page.dueAt, now)
  return (
    <div className="page stack">
      <header className="between machine-head">
        <div>
          <h1 className="machine-tag">
            {unit.tag} / {machine.tag}
          </h1>
          <p className="quiet">
            {machine.purpose} · {page.area.name}
            {machine.retiredAt ? ' · retired' : ` · due ${due.words}`}
          </p>
        </div>
        {judged ? (
          <Latest visit={judged.visit} judgement={judged.judgement} now={now} />
        ) : (
          <p className="machine-unread">
            <LevelMark level={standing?.judgement.level ?? 'not judged'} filled={standing !== null} /> No visit yet
          </p>
        )}
        {mayAct ? (
          <div className="row machine-buttons">
            <Link to={`/machines/${id}/edit`}>
              <Button>Edit</Button>
            </Link>
            <Link to={openTrace ? `/machines/${id}/trace/${openTrace.id}` : `/machines/${id}/trace`}>
              <Button>{openTrace ? 'Continue the trace' : 'Find the fault'}</Button>
            </Link>
            <Button onClick={() => setWorking(true)}>Record work</Button>
            <Link to={`/machines/${id}/visit`}>
              <Button type="primary">Take readings</Button>
            </Link>
          </div>
        ) : page.traces.length > 0 ? (
          <Link to={`/machines/${id}/trace`}>
            <Button>Traces</Button>
          </Link>
        ) : null}
      </header>
      {working ? <RecordWork page={page} now={now} done={() => setWorking(false)} /> : null}
      <Columns of={['400px', 1]} lastFirst>
        <div className="stack">
          <PlatePanel key={page.motor?.id ?? 'none'} page={page} mayEdit={mayAct} now={now} />
          <DrivePanel page={page} now={now} mayEdit={mayAct} />
          <FindingsPanel page={page} now={now} mayAct={mayAct} />
          <Suspense fallback={null}>
            <JobsPanel page={page} now={now} mayAct={mayAct} />
          </Suspense>
          <Suspense fallback={null}>
            <MachineStock page={page} now={now} />
          </Suspense>
          <SpeedChangesPanel page={page} now={now} mayAct={mayAct} />
          <FactsPanel page={page} />
        </div>
        <div className="stack">
          {judged ? (
            <>
              <ResultsPanel page={page} judgement={judged.judgement} way={judged.way} now={now} mayAct={mayAct} />
              <AmpsPanel machineId={id} {...judged} work={judged.input.work} />
              {judged.tests > 1 ? (
                <section className="sheet">
                  <header>
                    <h2>Insulation</h2>
                    <span className="quiet">worst lead at 40 °C, minimum, log scale</span>
                  </header>
                  <Suspense fallback={<div style={{ height: 200 }} />}>
                    <InsulationChart
                      input={judged.input}
                      ratedVolts={judged.judgement.rail.columnVolts ?? page.machine.serviceVolts}
                    />
                  </Suspense>
                </section>
              ) : null}
              <HistoriesPanel
                list={historiesOf(page, judged.judgement, shownUnitsOf(page.site, judged.input.policies))}
              />
              <section className="sheet">
                <header>
                  <h2>Checked and OK</h2>
                </header>
                <Verdicts verdicts={judged.judgement.verdicts.filter((v) => v.level === 'ok')} />
              </section>
            </>
          ) : (
            <>
              {standing ? (
                <ResultsPanel page={page} judgement={standing.judgement} way={null} now={now} mayAct={mayAct} />
              ) : null}
              <section className="sheet">
                <h2>Nothing read yet</h2>
                <p>
                  Take the first readings: volts, amps and running state. After four visits the usual range of this
                  machine is known.
                </p>
                {mayAct ? (
                  <Link to={`/machines/${id}/visit`}>
                    <Button>Take the first readings</Button>
                  </Link>
                ) : null}
              </section>
            </>
          )}
          {page.visits.length === 0 ? null : (
            <section className="sheet">
              <header>
                <h2>Visits</h2>
                <span className="quiet">{page.visits.length + page.moreVisits} on record</span>
              </header>
              <VisitsTable
                visits={page.visits}
                more={page.moreVisits}
                mayCorrect={mayAct}
                units={shownUnitsOf(page.site, judged?.input.policies ?? defaultPolicies)}
              />
            </section>
          )}
          <PicturesPanel machineId={id} now={now} mayAct={mayAct} />
          <WorkPanel
            page={page}
            visits={page.visits.filter((s) => s.supersededBy === null).map(coreVisit)}
            changes={judged?.changes ?? []}
            now={now}
          />
          <Trail ids={[machine.id, ...(page.motor ? [page.motor.id] : [])]} />
        </div>
      </Columns>
    </div>
  )
}

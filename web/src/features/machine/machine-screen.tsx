import { defaultPolicies } from '@motor-round/core/limits'
import { coreVisit, inputOf, type MachinePage } from '@motor-round/contract'
import { pastChanges } from '@motor-round/core/speed-change'
import { ampsHistory, insulationHistory, type Judgement } from '@motor-round/core/judge'
import { linePositions, neutralPositions, show } from '@motor-round/core/quantity'
import { valuesAt, type Visit } from '@motor-round/core/trend'
import { Button } from 'antd'
import { lazy, Suspense, useEffect, useMemo, useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { api } from '../../app/api.ts'
import { dueWords, shortDay } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { standingOf, useSnapshot } from '../../app/judging.ts'
import { lengthUnitOf } from '../../app/lengths.ts'
import { shownUnitsOf } from '../../app/shown-units.ts'
import { useNow } from '../../app/now.ts'
import { useMay } from '../../app/shell/index.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { ClosedConditions, Conditions } from '../conditions/index.ts'
import { FindingsPanel } from '../findings/index.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import { LoadRail } from '../../parts/load-rail/index.ts'
import { DrivePanel } from '../drive-train/index.ts'
import { SpeedChangeLine, wayBack } from './speed-change-line.tsx'
import { historiesOf, type History } from './histories.ts'
import { PicturesPanel } from './pictures-panel.tsx'
import { SpeedChangesPanel } from './speed-changes-panel.tsx'
import { PlatePanel } from './plate-panel.tsx'
import { RecordWork } from './record-work.tsx'
import { VisitsTable } from './visits-table.tsx'
import { Trail } from './trail.tsx'
import { Verdicts } from './verdicts.tsx'
import { WorkPanel } from './work-panel.tsx'
import './machine.css'

const InsulationChart = lazy(async () => ({ default: (await import('./insulation-chart.tsx')).InsulationChart }))
const HistoryChart = lazy(async () => ({ default: (await import('./history-chart.tsx')).HistoryChart }))
const AmpsChart = lazy(async () => ({ default: (await import('./amps-chart.tsx')).AmpsChart }))

function Latest({ visit, judgement, now }: { visit: Visit; judgement: Judgement; now: number }) {
  const volts = [
    ...valuesAt(visit.readings, 'volts_ll', linePositions),
    ...valuesAt(visit.readings, 'volts_ln', neutralPositions),
  ].filter((v) => v !== undefined)
  return (
    <div className="machine-latest">
      <div className="machine-rail">
        <LoadRail rail={judgement.rail} full />
      </div>
      <div>
        <b className="machine-amps">
          {judgement.rail.legs.length > 0
            ? `${show.ampsRow(judgement.rail.legs.map((l) => l.amps)).join('  ')} A`
            : 'no amps'}
        </b>
        <p className="quiet">
          {volts.length > 0 ? `${volts.map(show.volts).join(' ')} V` : 'no volts'} ·{' '}
          {shortDay(new Date(visit.at).toISOString(), now)}
          {visit.state.settled ? ', settled' : visit.state.settled === false ? ', not settled' : ''}
        </p>
      </div>
    </div>
  )
}

/** Vibration, filters, pressure, sound, tension: each small, with one sentence. */
function Histories({ list }: { list: readonly History[] }) {
  if (list.length === 0) return null
  return (
    <section className="sheet">
      <h2>Drive train and air over time</h2>
      <div className="histories">
        {list.map((h) => (
          <div key={h.id}>
            <h3>
              {h.title} <small>{h.unit}</small>
            </h3>
            <Suspense fallback={<div className="history-chart" />}>
              <HistoryChart history={h} />
            </Suspense>
            <p className="quiet">{h.sentence}</p>
          </div>
        ))}
      </div>
    </section>
  )
}

const starterWords = { starter: 'starter', contactor: 'contactor', none: 'none' } as const
const overloadWords = {
  relay: 'overload relay',
  electronic: 'overload in the drive',
  internal: 'protector in the motor',
  none: 'no overload protection',
} as const

/** What stands between supply and motor, as far as it is known. */
function controlsWords({ controls: c }: MachinePage['machine']): string {
  return [
    c.starter === null ? '' : starterWords[c.starter],
    c.poles === null ? '' : `${c.poles} ${c.poles === 1 ? 'pole' : 'poles'}`,
    c.overload === null ? '' : overloadWords[c.overload],
    c.protectionAmps === null ? '' : `${c.protectionAmps} A ${c.protection ?? ''}`,
    c.controlVolts === null ? '' : `${c.controlVolts} V control`,
    c.transformer === null ? '' : `${c.transformer.ratedIn}/${c.transformer.ratedOut} V transformer`,
    c.capacitor === null ? '' : `${c.capacitor.run} µF capacitor`,
    c.gasSection ? 'gas section' : '',
    c.phaseMonitor ? 'phase monitor' : '',
  ]
    .filter(Boolean)
    .join(', ')
}

function Facts({ page }: { page: MachinePage }) {
  const { machine, unit, area, site } = page
  const facts: [string, string][] = [
    [
      'Supply',
      `${machine.serviceVolts} V, ${machine.phases === 3 ? 'three-phase' : 'single-phase'}${page.motor?.connectionVolts ? `, connected for ${page.motor.connectionVolts} V` : ''}`,
    ],
    ['Drive', `${machine.drive}${machine.hasVfd ? ', variable-frequency drive' : ''}`],
    ['Controls', controlsWords(machine) || 'not entered'],
    ['Unit', `${unit.kind}${unit.modelLine ? ` ${unit.modelLine}` : ''}`],
  ]
  return (
    <section className="sheet">
      <h2>Machine</h2>
      <dl className="facts">
        <div>
          <dt>Stands</dt>
          <dd>
            {site.name}, {area.name} · <Link to={`/areas/${area.id}/air`}>its air</Link>
          </dd>
        </div>
        {facts.map(([k, v]) => (
          <div key={k}>
            <dt>{k}</dt>
            <dd>{v}</dd>
          </div>
        ))}
        {page.siblings.length > 0 ? (
          <div>
            <dt>Same unit</dt>
            <dd>
              {page.siblings.map((s) => (
                <Link key={s.id} className="link-tall" to={`/machines/${s.id}`}>
                  {s.unitTag} / {s.tag}{' '}
                </Link>
              ))}
            </dd>
          </div>
        ) : null}
      </dl>
    </section>
  )
}

/** Where it lies among others of its kind, in the judge's sentence. */
function PeersLine({ judgement }: { judgement: Judgement }) {
  const told = judgement.verdicts.find((v) => v.check === 'peers')
  return told ? (
    <p className="calc-line">
      {told.because} {told.next === 'Nothing to do.' ? '' : told.next}
    </p>
  ) : null
}

/** A machine: plate, latest visit, what it says and why, amps over time, stops, work. */
export function MachineScreen() {
  const id = useParams()['id'] ?? ''
  const query = api.useMachinePageQuery({ params: { id } })
  const page = query.currentData
  const snapshot = useSnapshot(page)
  const now = useNow()
  const mayAct = useMay('mechanic')
  const navigate = useNavigate()
  const [working, setWorking] = useState(false)
  const judged = useMemo(() => {
    const standing = snapshot && standingOf(snapshot)
    if (!snapshot || !standing) return null
    const { judgement, visit } = standing
    const input = inputOf(snapshot, visit)
    const changes = pastChanges(input)
    return {
      input,
      visit,
      judgement,
      history: ampsHistory(input),
      tests: insulationHistory(input).length,
      changes,
      way: wayBack(input, judgement, changes),
    }
  }, [snapshot])
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const own = e.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT|BUTTON|A)$/.test(e.target.tagName)
      if (!own && e.key === 's' && !e.ctrlKey && !e.metaKey && mayAct) void navigate(`/machines/${id}/visit`)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [id, mayAct, navigate])

  if (query.error && !page)
    return (
      <div className="page">
        <FailureNote failure={query.error as Failure} kept="This machine cannot be loaded." />
      </div>
    )
  if (!page) return <p className="page">Loading …</p>
  const { machine, unit } = page
  const due = judged?.judgement.level === 'stop' ? { words: 'now' } : dueWords(page.dueAt, now)
  return (
    <div className="page stack">
      <header className="machine-head">
        <div>
          <h1 className="machine-tag">
            {unit.tag} / {machine.tag}
          </h1>
          <p className="quiet">
            {machine.purpose} · {page.area.name}
            {machine.retiredAt ? ' · retired' : ` · due ${due.words}`}
          </p>
        </div>
        {judged ? <Latest visit={judged.visit} judgement={judged.judgement} now={now} /> : <p>No visit yet.</p>}
        {mayAct ? (
          <div className="row machine-buttons">
            <Link to={`/machines/${id}/edit`}>
              <Button>Edit</Button>
            </Link>
            <Button onClick={() => setWorking(true)}>Record work</Button>
            <Link to={`/machines/${id}/visit`}>
              <Button type="primary">Take readings</Button>
            </Link>
          </div>
        ) : null}
      </header>
      {working ? <RecordWork page={page} now={now} done={() => setWorking(false)} /> : null}
      <div className="machine-columns">
        <div className="stack">
          <PlatePanel key={page.motor?.id ?? 'none'} page={page} mayEdit={mayAct} now={now} />
          <DrivePanel page={page} now={now} mayEdit={mayAct} />
          <FindingsPanel page={page} now={now} mayAct={mayAct} />
          <SpeedChangesPanel page={page} now={now} mayAct={mayAct} />
          <Facts page={page} />
        </div>
        <div className="stack">
          {judged ? (
            <>
              <section
                className={`sheet machine-says says-${judged.judgement.level.replace(' ', '-')}`}
                aria-label="Results"
              >
                <header>
                  <h2>Results</h2>
                  <LevelMark level={judged.judgement.level} filled />
                </header>
                {judged.judgement.conditions.length === 0 ? (
                  <p>{judged.judgement.headline}</p>
                ) : (
                  <Conditions list={judged.judgement.conditions} machineId={id} now={now} mayAct={mayAct} />
                )}
                <p className="quiet">{judged.judgement.completeness.summary}</p>
                <ClosedConditions page={page} now={now} mayAct={mayAct} />
                <PeersLine judgement={judged.judgement} />
                {judged.way ? <SpeedChangeLine way={judged.way} machineId={id} unit={lengthUnitOf(page.site)} /> : null}
              </section>
              <section className="sheet">
                <header>
                  <h2>Amps</h2>
                  <span className="quiet">
                    three legs per visit, nameplate, usual range, work, trend ·{' '}
                    <Link to={`/calculators?machine=${id}`}>Open in calculators</Link>
                  </span>
                </header>
                <Suspense fallback={<div className="amps-chart" />}>
                  <AmpsChart history={judged.history} judgement={judged.judgement} work={judged.input.work} />
                </Suspense>
              </section>
              {judged.tests > 1 ? (
                <section className="sheet">
                  <header>
                    <h2>Insulation</h2>
                    <span className="quiet">worst lead at 40 °C, minimum, log scale</span>
                  </header>
                  <Suspense fallback={<div className="insulation-chart" />}>
                    <InsulationChart
                      input={judged.input}
                      ratedVolts={judged.judgement.rail.columnVolts ?? page.machine.serviceVolts}
                    />
                  </Suspense>
                </section>
              ) : null}
              <Histories list={historiesOf(page, judged.judgement, shownUnitsOf(page.site, judged.input.policies))} />
              <section className="sheet">
                <header>
                  <h2>Checked and OK</h2>
                </header>
                <Verdicts verdicts={judged.judgement.verdicts.filter((v) => v.level === 'ok')} />
              </section>
            </>
          ) : (
            <section className="sheet">
              <h2>Nothing read yet</h2>
              <p>
                Take the first readings: volts, amps and running state. After four visits the usual range of this
                machine is known.
              </p>
            </section>
          )}
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
          <PicturesPanel machineId={id} now={now} />
          <WorkPanel
            page={page}
            visits={page.visits.filter((s) => s.supersededBy === null).map(coreVisit)}
            changes={judged?.changes ?? []}
            now={now}
          />
          <Trail ids={[machine.id, ...(page.motor ? [page.motor.id] : [])]} />
        </div>
      </div>
    </div>
  )
}

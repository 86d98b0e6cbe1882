import type { JobRecord, MachinePage } from '@motor-round/contract'
import { jobKindOf, toolsOf } from '@motor-round/core/job'
import { Button, Input, Popconfirm } from 'antd'
import { useEffect, useState } from 'react'
import { Link, useParams } from 'react-router'
import { useJudgedPage } from '../../app/judging.ts'
import { shortDay, siteDay } from '../../app/dates.ts'
import { useNow } from '../../app/now.ts'
import { useUnits } from '../../app/use-units.ts'
import { useMay } from '../../app/shell/index.ts'
import { PageFailure, TroubleNote } from '../../parts/fields/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { JobParts } from '../stock/index.ts'
import { DecisionForm } from './decision-form.tsx'
import { FiredNote } from './fired-note.tsx'
import { FitPanel } from './fit-panel.tsx'
import { OptionsPanel } from './options-panel.tsx'
import { PartsPanel } from './parts-panel.tsx'
import { PermitNote, PermitPanel } from './permit-panel.tsx'
import { PlanChart } from './plan-chart.tsx'
import { ProofPanel } from './proof-panel.tsx'
import { SubstitutesPanel } from './substitutes-panel.tsx'
import { StepList } from './step-list.tsx'
import { firedOf, permitOn, useJob, type Say } from './use-job.ts'
import { chosenWords, decisionWords, stateWords } from './words.ts'
import './job.css'

const newMotor = new Set(['direct-motor', 'belt-motor', 'psc-motor', 'propeller'])

/** What somebody wrote, ended as a sentence. */
const sentence = (text: string): string => (text.trimEnd().endsWith('.') ? text.trimEnd() : `${text.trimEnd()}.`)

/** Leave it for another day, with the state it is left in. */
function Pause({ safe, say }: { safe: string; say: Say }) {
  const [words, setWords] = useState(safe)
  return (
    <Popconfirm
      title="How is it left?"
      description={
        <Input
          aria-label="How it is left"
          value={words}
          maxLength={400}
          placeholder="Belts off, locked, covered …"
          onChange={(e) => setWords(e.target.value)}
        />
      }
      okText="Interrupt"
      okButtonProps={{ disabled: words.trim() === '' }}
      onConfirm={() => void say({ kind: 'paused', safe: words })}
    >
      <Button size="large">Interrupt</Button>
    </Popconfirm>
  )
}

function Kit({ job, tools }: { job: JobRecord; tools: readonly string[] }) {
  const kinds = job.kinds.flatMap((k) => jobKindOf.get(k) ?? [])
  return (
    <section className="sheet stack" aria-label="Kit">
      <header>
        <h2>Kit</h2>
      </header>
      <p>
        <b>Bring:</b> {[...new Set(kinds.flatMap((k) => k.kit))].join(', ')}
      </p>
      <p>
        <b>Often forgotten:</b> {[...new Set(kinds.flatMap((k) => k.forgotten))].join(', ')}
      </p>
      {tools.length > 0 ? (
        <p>
          <b>Tools beyond the usual:</b> {tools.join(', ')}
        </p>
      ) : null}
      {kinds.map((k) => (
        <p key={k.id} className="quiet">
          {k.title}: run it {k.soak} min before the last readings
          {k.backInDays === null ? '' : `, look again after ${k.backInDays === 1 ? 'a day' : `${k.backInDays} days`}`}.
        </p>
      ))}
    </section>
  )
}

/** A job: what was decided, what is to be done now, what proves it. */
function Job({ page, job }: { page: MachinePage; job: JobRecord }) {
  const now = useNow()
  const may = useMay('mechanic')
  const units = useUnits()(page.site)
  const { stands, stops, atStop, terms, say, trouble } = useJob(page, job)
  const [deciding, setDeciding] = useState(false)
  const fired = firedOf(page, stands, now)
  const mayAct = may && stands.closed === null
  const permit = permitOn(page, job, now)
  const decisionsMade = job.steps.filter((s) => s.kind === 'decision')
  const safe = stands.steps.findLast((s) => s.state === 'done' && s.safe)
  const unit = `${page.unit.tag} / ${page.machine.tag}`
  return (
    <div className="page stack job">
      <header>
        <h1>{job.title}</h1>
        <p>
          <Link to={`/machines/${page.machine.id}`}>{unit}</Link> · <b>{stateWords[stands.state]}</b>{' '}
          <span className="quiet">
            made {shortDay(job.at, now)} by {job.by}
          </span>
        </p>
      </header>
      {fired ? <FiredNote fired={fired} decision={stands.decision} units={units} now={now} /> : null}
      {permit ? <PermitNote permit={permit} now={now} /> : null}
      {atStop === undefined || stands.closed ? null : (
        <p className="note tone-stop" role="note">
          <b>The machine is at Stop: do not run it.</b> {atStop}
        </p>
      )}
      {stands.paused ? (
        <div className="note tone-watch" role="status">
          Interrupted {shortDay(new Date(stands.paused.at).toISOString(), now)} by {stands.paused.by}:{' '}
          {sentence(stands.paused.safe)} Lock out and prove dead again before you go on.
          {mayAct ? (
            <div className="row">
              <Button size="large" onClick={() => void say({ kind: 'resumed' })}>
                Continue the job
              </Button>
            </div>
          ) : null}
        </div>
      ) : mayAct && stands.begun ? (
        <div className="row">
          <Pause key={safe?.id} safe={safe ? `${safe.right} Locked and covered.` : ''} say={say} />
        </div>
      ) : null}
      <TroubleNote words={trouble} />
      <div className="job-columns">
        <div className="stack">
          <StepList
            page={page}
            job={job}
            stands={stands}
            scale={units.temperature}
            now={now}
            mayAct={mayAct && stands.paused === null}
            say={say}
          />
        </div>
        <div className="stack">
          <OptionsPanel page={page} job={job} stands={stands} stops={stops} mayAct={mayAct} say={say} />
          <section className="sheet stack" aria-label="Decisions">
            <header>
              <h2>Decisions</h2>
            </header>
            {decisionsMade.length === 0 ? <p className="quiet">Nobody was asked yet.</p> : null}
            <ul className="rows">
              {decisionsMade.map((s) =>
                s.kind === 'decision' ? (
                  <li key={s.id}>
                    <b>{decisionWords[s.decision]}</b>: {s.who}, {s.means}, {shortDay(s.at, now)}
                    {chosenWords(job, s.chosen)}
                    {s.words === '' ? '' : ` · ${s.words}`}
                  </li>
                ) : null,
              )}
            </ul>
            {mayAct && deciding ? (
              <DecisionForm offer={stands.offer} say={say} done={() => setDeciding(false)} />
            ) : null}
            {mayAct && !deciding ? (
              <div className="row">
                <Button size="large" onClick={() => setDeciding(true)}>
                  Record a decision
                </Button>
              </div>
            ) : null}
          </section>
          {job.kinds.some((k) => newMotor.has(k)) ? <FitPanel page={page} jobId={job.id} /> : null}
          {mayAct ? <PartsPanel page={page} jobId={job.id} stands={stands} /> : null}
          <ProofPanel page={page} jobId={job.id} stands={stands} units={units} now={now} mayAct={mayAct} say={say} />
          {mayAct ? <PermitPanel permit={permit} terms={terms} say={say} /> : null}
          <SubstitutesPanel stands={stands} now={now} today={siteDay(now, page.site.zone)} mayAct={mayAct} say={say} />
          <JobParts jobId={job.id} mayAct={mayAct} />
          <Kit job={job} tools={toolsOf(stands.steps)} />
          <PlanChart stands={stands} crew={job.crew} />
        </div>
      </div>
      <p className="quiet">A plan, not a permit: local code, the site’s lockout rules and licensed people decide.</p>
    </div>
  )
}

/** One job of a machine. */
export function JobScreen() {
  const { id = '', jobId = '' } = useParams()
  const { page, failure } = useJudgedPage(id)
  useEffect(() => {
    // A job goes on where there is no signal: its machine is kept on this phone from its first look on.
    const keep = async () => (await import('../../offline/core/snapshot.ts')).downloadMachine(id)
    keep().catch(() => undefined)
  }, [id])
  if (failure && !page) return <PageFailure failure={failure} kept="This machine cannot be loaded." />
  if (!page) return <Loading page />
  const job = page.jobs.find((j) => j.id === jobId)
  return job ? <Job page={page} job={job} /> : <p className="page">This job was not found.</p>
}

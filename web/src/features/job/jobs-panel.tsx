import type { MachinePage } from '@motor-round/contract'
import { Button } from 'antd'
import { Link } from 'react-router'
import { shortDay } from '../../app/dates.ts'
import { useUnits } from '../../app/use-units.ts'
import { FiredNote } from './fired-note.tsx'
import { PermitNote } from './permit-panel.tsx'
import { firedOf, permitOn, standsOf } from './use-job.ts'
import { stateWords } from './words.ts'
import './job.css'

/** The jobs of a machine: what is due again first, what is closed last. */
export function JobsPanel({ page, now, mayAct }: { page: MachinePage; now: number; mayAct: boolean }) {
  const jobs = page.jobs
    .map((job) => {
      const stands = standsOf(page, job)
      return { job, stands, fired: firedOf(page, stands, now), permit: permitOn(page, job, now) }
    })
    .sort((a, b) => rank(a) - rank(b))
  const unitsOf = useUnits()
  if (jobs.length === 0 && !mayAct) return null
  return (
    <section className="sheet stack" aria-label="Jobs">
      <header>
        <h2>Jobs</h2>
        {mayAct ? (
          <Link to={`/machines/${page.machine.id}/jobs/new`}>
            <Button>New job</Button>
          </Link>
        ) : null}
      </header>
      {jobs.length === 0 ? <p className="quiet">No job yet.</p> : null}
      {jobs.map(({ job, stands, fired, permit }) => (
        <div key={job.id} className="stack">
          <Link className="job-line" to={`/machines/${page.machine.id}/jobs/${job.id}`}>
            <b>{job.title}</b>
            <span>
              {stateWords[stands.state]}
              {stands.begun && !stands.closed
                ? ` · ${stands.steps.filter((s) => s.state === 'done' || s.state === 'skipped').length} of ${stands.steps.length} steps`
                : ''}
              <span className="quiet"> · {shortDay(job.at, now)}</span>
            </span>
          </Link>
          {permit ? <PermitNote permit={permit} now={now} /> : null}
          {fired ? <FiredNote fired={fired} decision={stands.decision} units={unitsOf(page.site)} now={now} /> : null}
        </div>
      ))}
    </section>
  )
}

const rank = (j: { stands: ReturnType<typeof standsOf>; fired: unknown }) => (j.fired ? 0 : j.stands.closed ? 2 : 1)

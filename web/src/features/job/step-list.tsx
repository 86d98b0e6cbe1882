import type { JobRecord, MachinePage } from '@motor-round/contract'
import { jobKindOf, type JobStands, type StepStands } from '@motor-round/core/job'
import { Fragment } from 'react'
import { Step } from './step.tsx'
import type { Say } from './use-job.ts'

const groupOf = (s: StepStands): string =>
  s.kind === null
    ? s.id.startsWith('A')
      ? 'Open it up'
      : 'Close it up and prove it'
    : (jobKindOf.get(s.kind)?.title ?? '')

/** The steps of a job: what can be done now open, what is done folded, what is held with what it waits for. */
export function StepList({
  page,
  job,
  stands,
  scale,
  now,
  mayAct,
  say,
}: {
  page: MachinePage
  job: JobRecord
  stands: JobStands
  /** Of temperatures. */
  scale: 'F' | 'C'
  now: number
  mayAct: boolean
  say: Say
}) {
  const rate = stands.offer?.rate ?? null
  const titles = new Map(stands.steps.map((s) => [s.id, s.title]))
  const settled = stands.steps.filter((s) => s.state === 'done' || s.state === 'skipped')
  const ready = stands.steps.filter((s) => s.state === 'ready')
  const held = stands.steps.filter((s) => s.state === 'held')
  const rows = (list: readonly StepStands[]) => (
    <ol className="rows job-steps">
      {list.map((s, i) => (
        <Fragment key={s.id}>
          {i === 0 || groupOf(s) !== groupOf(list[i - 1] ?? s) ? <li className="job-group">{groupOf(s)}</li> : null}
          <Step
            page={page}
            job={job}
            step={s}
            titles={titles}
            rate={rate}
            scale={scale}
            now={now}
            mayAct={mayAct}
            say={say}
          />
        </Fragment>
      ))}
    </ol>
  )
  return (
    <section className="sheet stack" aria-label="Steps">
      <header>
        <h2>Steps</h2>
        <span className="quiet">
          {settled.length} of {stands.steps.length} done
        </span>
      </header>
      {ready.length > 0 ? rows(ready) : <p className="quiet">Every step is done or skipped.</p>}
      {held.length > 0 ? (
        <details>
          <summary>{held.length === 1 ? '1 step later' : `${held.length} steps later`}</summary>
          {rows(held)}
        </details>
      ) : null}
      {settled.length > 0 ? (
        <details>
          <summary>{settled.length === 1 ? '1 step done' : `${settled.length} steps done`}</summary>
          {rows(settled)}
        </details>
      ) : null}
    </section>
  )
}

import { hazards, jobKindOf, type JobStands, type StepStands } from '@motor-round/core/job'
import { Button, Input, Popconfirm } from 'antd'
import { Fragment, useState } from 'react'
import { clockTime, shortDay } from '../../app/dates.ts'
import type { Say } from './use-job.ts'
import { durationWords } from './words.ts'

const groupOf = (s: StepStands): string =>
  s.kind === null
    ? s.id.startsWith('A')
      ? 'Open it up'
      : 'Close it up and prove it'
    : (jobKindOf.get(s.kind)?.title ?? '')

function Skip({ step, say }: { step: StepStands; say: Say }) {
  const [reason, setReason] = useState('')
  return (
    <Popconfirm
      title="Skip this step?"
      description={
        <Input
          aria-label="Reason"
          placeholder="Why it is not done"
          value={reason}
          maxLength={400}
          onChange={(e) => setReason(e.target.value)}
        />
      }
      okText="Skip"
      okButtonProps={{ disabled: reason.trim() === '' }}
      onConfirm={() => void say({ kind: 'skipped', step: step.id, reason })}
    >
      <Button type="link">Skip</Button>
    </Popconfirm>
  )
}

function Step({
  step,
  titles,
  now,
  mayAct,
  say,
}: {
  step: StepStands
  titles: ReadonlyMap<string, string>
  now: number
  mayAct: boolean
  say: Say
}) {
  const settled = step.state === 'done' || step.state === 'skipped'
  const open = step.state === 'ready'
  return (
    <li className={`job-step job-${step.state}`}>
      <p>
        <b>{step.title}</b>
      </p>
      <p className="quiet">
        {step.minutes === 0 ? '' : durationWords(step.minutes)}
        {step.people === 2 ? ' · two people' : ''}
        {step.safe ? ' · may be left here overnight' : ''}
        {step.waits.map((w) => (w.minutes > 0 ? ` · wait ${w.minutes} min first: ${w.why}` : '')).join('')}
      </p>
      {open ? (
        <>
          {step.support === undefined ? null : (
            <p className="note tone-stop" role="note">
              {step.support}
            </p>
          )}
          {step.irreversible ? (
            <p className="note tone-fix" role="note">
              Cannot be undone: {step.irreversible.words}.
            </p>
          ) : null}
          {(step.hazards ?? []).map((h) => (
            <p key={h} className="note tone-watch" role="note">
              {hazards[h]}
            </p>
          ))}
          {step.evidence ? <p>Photograph or enter first: {step.evidence.join(', ')}.</p> : null}
          {step.tools ? <p className="quiet">Tools: {step.tools.join(', ')}.</p> : null}
          <p className="quiet">Right when: {step.right}</p>
        </>
      ) : null}
      {step.state === 'held' ? (
        <p className="quiet">After: {titles.get(step.needs[0] ?? '') ?? step.needs[0]}</p>
      ) : null}
      {settled ? (
        <p className="quiet">
          {step.state === 'done' ? 'Done' : `Skipped: ${step.note}`} · {step.by}
          {step.at === null
            ? ''
            : `, ${shortDay(new Date(step.at).toISOString(), now)} ${clockTime(new Date(step.at).toISOString())}`}
        </p>
      ) : null}
      {mayAct ? (
        <div className="row">
          {open ? (
            <>
              <Button
                type="primary"
                size="large"
                aria-label={`Done: ${step.title}`}
                onClick={() => void say({ kind: 'done', step: step.id })}
              >
                Done
              </Button>
              {step.must ? null : <Skip step={step} say={say} />}
            </>
          ) : null}
          {settled ? (
            <Button type="link" onClick={() => void say({ kind: 'undone', step: step.id })}>
              Not done after all
            </Button>
          ) : null}
        </div>
      ) : null}
    </li>
  )
}

/** The steps of a job: what can be done now open, what is done folded, what is held with what it waits for. */
export function StepList({ stands, now, mayAct, say }: { stands: JobStands; now: number; mayAct: boolean; say: Say }) {
  const titles = new Map(stands.steps.map((s) => [s.id, s.title]))
  const settled = stands.steps.filter((s) => s.state === 'done' || s.state === 'skipped')
  const ready = stands.steps.filter((s) => s.state === 'ready')
  const held = stands.steps.filter((s) => s.state === 'held')
  const rows = (list: readonly StepStands[]) => (
    <ol className="rows job-steps">
      {list.map((s, i) => (
        <Fragment key={s.id}>
          {i === 0 || groupOf(s) !== groupOf(list[i - 1] ?? s) ? <li className="job-group">{groupOf(s)}</li> : null}
          <Step step={s} titles={titles} now={now} mayAct={mayAct} say={say} />
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

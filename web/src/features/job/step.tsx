import type { JobRecord, MachinePage } from '@motor-round/contract'
import { hazards, partChecks, type StepStands } from '@motor-round/core/job'
import { Button, Input, InputNumber, Popconfirm } from 'antd'
import { useState } from 'react'
import { api } from '../../app/api.ts'
import { clockTime, shortDay } from '../../app/dates.ts'
import { useClock } from '../../app/now.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { PictureButton } from '../../parts/picture-button/index.ts'
import { BurnForm, BurnNote } from './burn-form.tsx'
import { HubLadder } from './hub-ladder.tsx'
import { Measures, PartsCheck } from './parts-check.tsx'
import type { Say } from './use-job.ts'
import { durationWords } from './words.ts'

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

/** What a step is done by: its parts measured, its tools counted, or a word. */
function Finish({
  page,
  job,
  step,
  scale,
  say,
}: {
  page: MachinePage
  job: JobRecord
  step: StepStands
  scale: 'F' | 'C'
  say: Say
}) {
  const [count, setCount] = useState<number | null>(null)
  const counts = step.count !== undefined
  if (step.id in partChecks) return <PartsCheck page={page} jobId={job.id} step={step.id} say={say} />
  if (step.burn) return <BurnForm step={step.id} burner={page.machine.controls.burner} scale={scale} say={say} />
  return (
    <>
      {counts ? (
        <FormField label="Tools and loose parts">
          <InputNumber controls={false} size="large" min={0} max={999} value={count} onChange={setCount} />
        </FormField>
      ) : null}
      <Button
        type="primary"
        size="large"
        aria-label={`Done: ${step.title}`}
        disabled={counts && count === null}
        onClick={() => void say({ kind: 'done', step: step.id, count })}
      >
        {counts && count === null ? 'Enter the count' : 'Done'}
      </Button>
    </>
  )
}

/** A photo of what is found, kept with the machine. */
function StepPhoto({ page, step }: { page: MachinePage; step: StepStands }) {
  const me = api.useSessionQuery({}).data?.person?.id ?? ''
  const clock = useClock()
  return (
    <PictureButton
      of={{ by: me, machineId: page.machine.id, visitId: null, check: `Job: ${step.title}`.slice(0, 40).trim(), clock }}
    />
  )
}

/** What a step that can be done now has to say before hands go in. */
function Before({ step }: { step: StepStands }) {
  return (
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
  )
}

/** One step of a job. */
export function Step({
  page,
  job,
  step,
  titles,
  rate,
  scale,
  now,
  mayAct,
  say,
}: {
  page: MachinePage
  job: JobRecord
  step: StepStands
  titles: ReadonlyMap<string, string>
  /** Money of an hour of one person; null: nobody priced the job. */
  rate: number | null
  /** Of temperatures. */
  scale: 'F' | 'C'
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
      {open ? <Before step={step} /> : null}
      {step.check?.grade === 'does not fit' && step.state !== 'skipped' ? (
        <div className="note tone-stop" role="alert">
          <b>Does not fit.</b> Nothing is cut or pulled before the right part is here and measured.
        </div>
      ) : null}
      {step.burnTest ? <BurnNote test={step.burnTest} scale={scale} /> : null}
      {step.check ? <Measures page={page} check={step.check} /> : null}
      {step.hub && (open || step.tried.length > 0) ? (
        <HubLadder step={step} rate={rate} people={step.people ?? 1} mayAct={mayAct && open} say={say} />
      ) : null}
      {step.state === 'held' ? (
        <p className="quiet">After: {titles.get(step.needs[0] ?? '') ?? step.needs[0]}</p>
      ) : null}
      {settled ? (
        <p className="quiet">
          {step.state === 'done' ? 'Done' : `Skipped: ${step.note}`}
          {step.counted === null ? '' : `, ${step.counted} counted`} · {step.by}
          {step.at === null
            ? ''
            : `, ${shortDay(new Date(step.at).toISOString(), now)} ${clockTime(new Date(step.at).toISOString())}`}
        </p>
      ) : null}
      {mayAct ? (
        <div className="row">
          {open ? (
            <>
              {step.evidence ? <StepPhoto page={page} step={step} /> : null}
              <Finish page={page} job={job} step={step} scale={scale} say={say} />
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

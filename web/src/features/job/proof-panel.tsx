import type { MachinePage } from '@motor-round/contract'
import { atRest, restores, type JobStands, type Proof } from '@motor-round/core/job'
import { placeWords, readingFigure, type ShownUnits } from '@motor-round/core/quantity'
import { Button, Form, Input } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { shortDay } from '../../app/dates.ts'
import { Choice } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { NumberField } from './option-fields.tsx'
import type { Say } from './use-job.ts'

/** Figures of one quantity, place by place, in one line. */
function figures(list: Proof['before'], units: ShownUnits): string {
  return list
    .map((r) => {
      const text = readingFigure(r, units)
      return list.length === 1 ? text : `${placeWords(r.quantity, r.position)} ${text}`
    })
    .join(', ')
}

/** What is still to be read, and no more; at rest it takes the lockout. */
function askFor(proof: readonly Proof[]): string {
  const open = proof.filter((p) => !p.whole).map((p) => p.quantity)
  const scope = open.includes('belt_force') ? 'both' : open.some((q) => atRest.includes(q)) ? 'full' : 'live'
  return open.length === 0 ? '' : `?scope=${scope}&ask=${open.join(',')}`
}

/** The state in which it was read before, as far as somebody said. */
function stateBefore(proof: readonly Proof[]): string {
  const state = proof.find((p) => p.beforeState && !atRest.includes(p.quantity))?.beforeState
  if (!state) return ''
  return [
    ...(state.mode ? [`mode ${state.mode}`] : []),
    ...(state.panels ? [`panels ${state.panels}`] : []),
    ...(state.filters ? [`filters ${state.filters}`] : []),
    ...(state.twin && state.twin !== 'none' ? [`twin ${state.twin}`] : []),
  ].join(', ')
}

/** Before and after, side by side; what is not back; and the end of the job. */
export function ProofPanel({
  page,
  jobId,
  stands,
  units,
  now,
  mayAct,
  say,
}: {
  page: MachinePage
  jobId: string
  stands: JobStands
  units: ShownUnits
  now: number
  mayAct: boolean
  say: Say
}) {
  const [reason, setReason] = useState('')
  const [hours, setHours] = useState<number | null>(null)
  const [money, setMoney] = useState<number | null>(null)
  const [cause, setCause] = useState<'right' | 'wrong' | 'not known' | null>(null)
  const proven = stands.missing.length === 0
  const day = (at: number | null) => (at === null ? '' : shortDay(new Date(at).toISOString(), now))
  const before = stateBefore(stands.proof)
  const off = stands.bars.length > 0
  const barred = off || cause === null || (!proven && reason.trim() === '')
  return (
    <section className="sheet stack" aria-label="Proof">
      <header>
        <h2>Proof</h2>
        <span className="quiet">the same figures before and after, in the same state</span>
      </header>
      <table className="job-proof">
        <thead>
          <tr>
            <th scope="col">Read</th>
            <th scope="col">Before</th>
            <th scope="col">After</th>
          </tr>
        </thead>
        <tbody>
          {stands.proof.map((p) => (
            <tr key={p.quantity}>
              <th scope="row">{p.words}</th>
              <td>
                {p.before.length === 0 ? 'not read' : figures(p.before, units)} <small>{day(p.beforeAt)}</small>
              </td>
              <td>
                {p.after.length === 0 ? <b>not read yet</b> : figures(p.after, units)} <small>{day(p.afterAt)}</small>
                {p.otherwise.length > 0 ? (
                  <b className="job-otherwise">Another state: {p.otherwise.join('; ')}</b>
                ) : null}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {stands.open.length > 0 ? (
        <div className="note tone-fix" role="alert">
          <b>Not restored:</b> {stands.open.map((r) => restores[r]).join(' · ')}
        </div>
      ) : null}
      {stands.begun ? (
        <div className="row">
          <Button size="large" href={`/api/v1/jobs/${jobId}/report.pdf`}>
            Report as PDF
          </Button>
        </div>
      ) : null}
      {stands.closed ? (
        <p className="note" role="status">
          Closed by {stands.closed.by}, {day(stands.closed.at)}
          {stands.closed.reason === '' ? ': proven.' : `, without its proof: ${stands.closed.reason}`} The expected
          cause was {stands.closed.cause}.
        </p>
      ) : mayAct && stands.begun ? (
        <Form
          className="stack"
          aria-label="Close the job"
          onFinish={() => {
            if (cause !== null) void say({ kind: 'closed', reason: proven ? '' : reason.trim(), cause, hours, money })
          }}
        >
          <div className="row">
            <Link to={`/machines/${page.machine.id}/visit${askFor(stands.proof)}`}>
              <Button size="large">Take the readings</Button>
            </Link>
          </div>
          {before === '' ? null : <p className="quiet">Read it as it ran before: {before}.</p>}
          {proven ? (
            <p className="note tone-ok" role="status">
              Everything is done, restored and read again.
            </p>
          ) : (
            <>
              <details>
                <summary>
                  {stands.missing.length === 1 ? 'One thing is missing' : `${stands.missing.length} things are missing`}
                </summary>
                <ul>
                  {stands.missing.map((m) => (
                    <li key={m}>{m}</li>
                  ))}
                </ul>
              </details>
              <FormField label="Why it is closed without its proof">
                <Input value={reason} maxLength={400} onChange={(e) => setReason(e.target.value)} />
              </FormField>
            </>
          )}
          <Choice
            label="The expected cause was"
            value={cause}
            options={[
              { value: 'right', label: 'Right' },
              { value: 'wrong', label: 'Wrong' },
              { value: 'not known', label: 'Not known' },
            ]}
            onChange={setCause}
          />
          <div className="job-numbers">
            <NumberField label="Hours, of all hands" value={hours} onChange={setHours} />
            <NumberField label="Parts and access, $" value={money} onChange={setMoney} />
          </div>
          <div className="row">
            <Button type="primary" size="large" htmlType="submit" disabled={barred}>
              {off
                ? 'Put back what is off first'
                : cause === null
                  ? 'Say whether the cause was right'
                  : barred
                    ? 'Enter why, to close it without its proof'
                    : proven
                      ? 'Close the job: proven'
                      : 'Close without its proof'}
            </Button>
          </div>
        </Form>
      ) : null}
    </section>
  )
}

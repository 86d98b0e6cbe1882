import { type RoundPage, type RoundVisit } from '@motor-round/contract'
import { Button, Input } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { api } from '../../app/api.ts'
import { clockOf, minutesTook, roundVisitState, stepId, stepState } from '@motor-round/core/round'
import { dayTime, dueWords, shortDay } from '../../app/dates.ts'
import { fieldMessage, type Failure } from '../../app/failure.ts'
import { useNow } from '../../app/now.ts'
import { useMay } from '../../app/shell/index.ts'
import { DataTable } from '../../parts/data-table/index.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import { tagOf } from './words.ts'

/** Was a proof planned of a machine that was worked on, and not read? */
const unproved = (page: RoundPage, machineId: string): boolean => {
  const proof = stepId(machineId, 'proof')
  return (
    page.route.steps.some((v) => v.step === proof) &&
    roundVisitState(page.events, machineId) === 'done' &&
    stepState(page.events, proof) !== 'done'
  )
}

/** What was found on this round, and visits that somebody began and nobody finished. */
function Found({ page }: { page: RoundPage }) {
  const found = page.findings.filter((f) => f.roundId === page.head.id)
  const begun = page.visits.filter((s) => roundVisitState(page.events, s.machineId) === 'began')
  const of = (machineId: string) => page.visits.find((s) => s.machineId === machineId)
  return (
    <>
      {found.length === 0 ? null : (
        <>
          <h3>Findings</h3>
          <ul className="rows">
            {found.map((f) => {
              const visit = of(f.machineId)
              return (
                <li key={f.id} className="row">
                  <LevelMark level={f.level} />
                  <span>
                    <Link to={`/machines/${f.machineId}`}>{visit ? tagOf(visit) : 'A machine'}</Link>: {f.text}
                    <span className="quiet">
                      {f.owner === '' ? '' : ` · ${f.owner}`}
                      {f.state === 'open' ? '' : ` · ${f.state === 'closed' ? 'closed' : 'postponed'}`}
                    </span>
                  </span>
                </li>
              )
            })}
          </ul>
        </>
      )}
      {begun.length === 0 ? null : (
        <>
          <h3>Started and not finished: is it safe, and whose lock is on it?</h3>
          <ul className="rows">
            {begun.map((s) => {
              const e = page.events.findLast((x) => x.machineId === s.machineId && x.kind === 'began')
              return (
                <li key={s.machineId}>
                  <Link to={`/machines/${s.machineId}`}>{tagOf(s)}</Link>
                  {e ? `, ${e.by}, since ${dayTime(e.at)}` : ''}
                </li>
              )
            })}
          </ul>
        </>
      )}
    </>
  )
}

/** What was done, left and why; levels before and after; time against plan; files. */
export function Closing({ page }: { page: RoundPage }) {
  const now = useNow()
  const mayPlan = useMay('lead')
  const [reason, setReason] = useState('')
  const [close, attempt] = api.useCloseRoundMutation()
  const { head } = page
  const failure = attempt.error as Failure | undefined
  if (head.done + head.skipped === 0 && head.state === 'planned') return null
  const rows = page.visits.filter((s) => ['done', 'skipped'].includes(roundVisitState(page.events, s.machineId)))
  const took = rows
    .map((s) => ({ planned: s.minutes, took: minutesTook(page.events, s.machineId) }))
    .filter((t) => t.took !== null)
  const sum = (f: (t: (typeof took)[number]) => number) => took.reduce((n, t) => n + f(t), 0)
  const files = `/api/v1/rounds/${head.id}`
  return (
    <section className="sheet" aria-label="Round summary">
      <header>
        <h2>Round summary</h2>
        <span className="quiet">
          {head.done} done, {head.skipped} skipped, {head.left} left
          {took.length > 0
            ? ` · ${clockOf(sum((t) => t.took ?? 0)).replace(/^0/, '')} h, planned ${clockOf(sum((t) => t.planned)).replace(/^0/, '')} h`
            : ''}
        </span>
      </header>
      <DataTable<RoundVisit>
        label="Visits of this round"
        stacked
        rowKey="machineId"
        dataSource={rows}
        columns={[
          {
            title: 'Machine',
            key: 'machine',
            rowScope: 'row',
            className: 'closing-tag',
            render: (_, s) => (
              <Link className="link-tall" to={`/machines/${s.machineId}`}>
                {tagOf(s)}
              </Link>
            ),
          },
          { title: 'Before', key: 'before', render: (_, s) => <LevelMark level={s.levelBefore ?? 'not judged'} /> },
          { title: 'Now', key: 'now', render: (_, s) => <LevelMark level={s.level ?? 'not judged'} filled /> },
          {
            title: 'Took, min',
            key: 'took',
            className: 'num',
            render: (_, s) => {
              const took1 = minutesTook(page.events, s.machineId)
              return took1 === null ? '' : `${took1} of ${Math.round(s.minutes)}`
            },
          },
          {
            title: 'Due again',
            key: 'due',
            className: 'day',
            render: (_, s) => (s.level === 'stop' ? 'now' : dueWords(s.dueAt, now).words),
          },
          {
            title: 'Result',
            key: 'result',
            render: (_, s) => {
              const skipped = page.events.find((e) => e.machineId === s.machineId && e.kind === 'skipped')
              const came =
                roundVisitState(page.events, s.machineId) === 'skipped' ? `Skipped: ${skipped?.note ?? ''}` : s.headline
              return `${came}${unproved(page, s.machineId) ? ' No readings since the work.' : ''}`
            },
          },
        ]}
      />
      <Found page={page} />
      <div className="row">
        <a href={`${files}/report.pdf`}>Report, one page (PDF)</a>
        <a href={`${files}/record.pdf`}>Full record (PDF)</a>
        <a href={`${files}/record.csv`}>Readings (CSV)</a>
        <a href={`${files}/record.json`}>Record (JSON)</a>
      </div>
      {page.away.length > 0 ? (
        <p className="note tone-fix problem">
          Still on a phone: {page.away.map((d) => `${d.by} (${d.device})`).join(', ')}. Those entries are not on record
          yet.
        </p>
      ) : null}
      {page.closing ? (
        <p>
          Closed {shortDay(page.closing.at, now)} by {page.closing.by}
          {page.closing.reason === '' ? '' : `: ${page.closing.reason}`}
          {page.closing.next === null ? '.' : `. It comes again on ${shortDay(`${page.closing.next}T12:00:00Z`, now)}.`}
        </p>
      ) : mayPlan ? (
        <div className="row">
          {failure?.problem.errors?.some((e) => e.path === 'reason') || reason !== '' ? (
            <FormField label="Why the round is closed with open items" error={fieldMessage(failure, 'reason')}>
              <Input
                aria-label="Why the round is closed with open items"
                value={reason}
                maxLength={400}
                onChange={(e) => setReason(e.target.value)}
              />
            </FormField>
          ) : null}
          <Button
            type="primary"
            loading={attempt.isLoading}
            onClick={() => void close({ params: { id: head.id }, body: { version: head.version, reason } })}
          >
            Close the round
          </Button>
        </div>
      ) : null}
      {failure && !failure.problem.errors?.some((e) => e.path === 'reason') ? (
        <FailureNote failure={failure} kept="The round stays open." />
      ) : null}
    </section>
  )
}

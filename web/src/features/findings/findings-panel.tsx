import type { FindingRecord, MachinePage } from '@motor-round/contract'
import { Button, Form, Input } from 'antd'
import { useState } from 'react'
import { useDispatch } from 'react-redux'
import { Link } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { shortDay } from '../../app/dates.ts'
import { useClock } from '../../app/now.ts'
import { enqueueFindingStep } from '../../offline/core/enqueue.ts'
import { DayInput } from '../../parts/day-input/index.ts'
import { TroubleNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import { FindingForm } from './finding-form.tsx'
import './findings.css'

const noon = (day: string) => `${day}T12:00:00Z`
const stepWords = { postponed: 'postponed', closed: 'closed', reopened: 'reopened' } as const

/** What becomes of a finding: put off to a day, closed, or open again; each with its reason. */
function Step({ finding }: { finding: FindingRecord }) {
  const me = api.useSessionQuery({}).data?.person?.id ?? ''
  const clock = useClock()
  const dispatch = useDispatch()
  const [id] = useState(() => uuid())
  const [kind, setKind] = useState<'postponed' | 'closed' | 'reopened' | null>(null)
  const [note, setNote] = useState('')
  const [until, setUntil] = useState('')
  const [trouble, setTrouble] = useState<string | null>(null)
  if (kind === null)
    return finding.state === 'closed' ? (
      <div className="row">
        <Button onClick={() => setKind('reopened')}>Reopen</Button>
      </div>
    ) : (
      <div className="row">
        <Button onClick={() => setKind('closed')}>Close</Button>
        <Button onClick={() => setKind('postponed')}>Postpone</Button>
        <Link to={`/machines/${finding.machineId}/jobs/new?finding=${finding.id}`}>
          <Button>Make a job</Button>
        </Link>
      </div>
    )
  const save = async () => {
    const failed = await enqueueFindingStep(me, {
      id,
      findingId: finding.id,
      machineId: finding.machineId,
      at: new Date(clock()).toISOString(),
      kind,
      note,
      reviewOn: kind === 'postponed' ? until : null,
    })
    setTrouble(failed)
    if (failed !== null) return
    dispatch(api.util.invalidateTags(['machine', 'round']))
  }
  return (
    <Form
      className="row"
      onFinish={() => {
        void save()
      }}
    >
      <FormField label={kind === 'closed' ? 'What was done, or why nothing is needed' : 'Why'}>
        <Input autoFocus value={note} maxLength={400} onChange={(e) => setNote(e.target.value)} />
      </FormField>
      {kind === 'postponed' ? (
        <FormField label="Until">
          <DayInput label="Until" value={until} onChange={setUntil} />
        </FormField>
      ) : null}
      <Button type="primary" htmlType="submit" disabled={note.trim() === '' || (kind === 'postponed' && until === '')}>
        {kind === 'closed' ? 'Close' : kind === 'postponed' ? 'Postpone' : 'Reopen'}
      </Button>
      <Button onClick={() => setKind(null)}>Cancel</Button>
      <TroubleNote words={trouble} />
    </Form>
  )
}

function Finding({ finding, now, mayAct }: { finding: FindingRecord; now: number; mayAct: boolean }) {
  return (
    <li className={`finding finding-${finding.state}`}>
      <p>
        {finding.state === 'closed' ? null : <LevelMark level={finding.level} filled />} <b>{finding.text}</b>
      </p>
      <p className="quiet">
        {shortDay(finding.at, now)}, {finding.by}
        {finding.owner === '' ? '' : ` · ${finding.owner}`}
        {finding.state !== 'closed' && finding.reviewOn !== null
          ? ` · look again ${shortDay(noon(finding.reviewOn), now)}`
          : ''}
      </p>
      {finding.steps.map((s) => (
        <p key={s.id} className="quiet">
          {shortDay(s.at, now)} {stepWords[s.kind]}
          {s.reviewOn === null ? '' : ` to ${shortDay(noon(s.reviewOn), now)}`}: {s.note} {s.by}
        </p>
      ))}
      {mayAct ? <Step key={finding.steps.length} finding={finding} /> : null}
    </li>
  )
}

/** What was found at a machine: open ones first, each with what became of it. */
export function FindingsPanel({ page, now, mayAct }: { page: MachinePage; now: number; mayAct: boolean }) {
  const [adding, setAdding] = useState(false)
  const [all, setAll] = useState(false)
  const shown = page.findings.filter((f) => all || f.state !== 'closed')
  const closed = page.findings.length - page.findings.filter((f) => f.state !== 'closed').length
  if (page.findings.length === 0 && !mayAct) return null
  return (
    <section className="sheet" aria-label="Findings">
      <header>
        <h2>Findings</h2>
        {mayAct && !adding ? <Button onClick={() => setAdding(true)}>Add finding</Button> : null}
      </header>
      {adding ? <FindingForm of={{ machineId: page.machine.id }} done={() => setAdding(false)} /> : null}
      {shown.length === 0 ? <p className="quiet">No open findings.</p> : null}
      <ul className="rows findings">
        {shown.map((f) => (
          <Finding key={f.id} finding={f} now={now} mayAct={mayAct} />
        ))}
      </ul>
      {closed > 0 && !all ? (
        <Button type="link" onClick={() => setAll(true)}>
          {closed} closed
        </Button>
      ) : null}
    </section>
  )
}

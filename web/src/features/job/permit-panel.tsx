import { neverPermitted, ownPermit, permitTimes, type Permit, type PermitTerms } from '@motor-round/core/job'
import { Button, Form, Input } from 'antd'
import { useState } from 'react'
import { api } from '../../app/api.ts'
import { shortDay } from '../../app/dates.ts'
import { DayInput } from '../../parts/day-input/index.ts'
import { useClock } from '../../app/now.ts'
import { FormField } from '../../parts/form-field/index.ts'
import type { Say } from './use-job.ts'

const noon = (day: string) => `${day}T12:00:00Z`

/** What stands of a permit: expired is loud. */
export function PermitNote({ permit, now }: { permit: Permit; now: number }) {
  const until = shortDay(noon(permit.until), now)
  return permit.expired ? (
    <p className="note tone-stop" role="alert">
      <b>The permit to run it has expired</b> ({until}). Shut it down: {permit.wrong}
    </p>
  ) : (
    <p className="note tone-fix" role="status">
      <b>Runs on a permit until {until}</b>: {permit.wrong} Limits: {permit.limits} Accepted by {permit.accepts}.{' '}
      {permit.readDue ? <b>Read it today.</b> : `Next reading ${shortDay(noon(permit.readOn), now)}.`}
    </p>
  )
}

function PermitForm({ terms, say, done }: { terms: PermitTerms; say: Say; done: () => void }) {
  const clock = useClock()
  const [wrong, setWrong] = useState('')
  const [limits, setLimits] = useState('')
  const [accepts, setAccepts] = useState('')
  const [until, setUntil] = useState('')
  const [readOn, setReadOn] = useState('')
  const [trouble, setTrouble] = useState<string | null>(null)
  const far = until !== '' && Date.parse(until) - clock() > terms.days * 86_400_000
  const missing = [
    ...(wrong.trim() === '' ? ['what is wrong'] : []),
    ...(limits.trim() === '' ? ['the limits'] : []),
    ...(accepts.trim() === '' ? ['who accepts it'] : []),
    ...(until === '' ? ['the end date'] : []),
    ...(readOn === '' ? ['the next reading'] : []),
  ]
  const person = api.useSessionQuery({}).data?.person
  const own = ownPermit(accepts, person?.name ?? '', person?.role === 'lead')
  const late = readOn !== '' && until !== '' && readOn > until
  const most = `Until, at most ${terms.days} days${terms.overPlate ? ' over the nameplate' : ''}`
  const save = async () => {
    const kept = await say({ kind: 'permit', wrong, limits, accepts: accepts.trim(), until, readOn })
    if (kept) done()
    else setTrouble('It could not be saved.')
  }
  return (
    <Form
      className="stack"
      aria-label="A permit"
      onFinish={() => {
        void save()
      }}
    >
      <p className="note tone-stop" role="note">
        Never on a permit: {neverPermitted.join('; ')}.
      </p>
      <FormField label="What is wrong, and why it may run">
        <Input.TextArea rows={2} value={wrong} maxLength={400} onChange={(e) => setWrong(e.target.value)} />
      </FormField>
      <FormField label="Limits: amps, vibration, temperature, hours, weather; who shuts it down">
        <Input.TextArea rows={2} value={limits} maxLength={400} onChange={(e) => setLimits(e.target.value)} />
      </FormField>
      <FormField
        label="Accepted by (lead or the owner’s named person)"
        error={own ? 'Nobody accepts their own permit: enter a lead, or the person the owner names.' : undefined}
      >
        <Input value={accepts} maxLength={60} onChange={(e) => setAccepts(e.target.value)} />
      </FormField>
      <FormField label={most} error={far ? `${most.replace('Until, at', 'At')}: enter an earlier date.` : undefined}>
        <DayInput label={most} value={until} onChange={setUntil} />
      </FormField>
      <FormField label="Next reading" error={late ? 'The next reading comes before it ends.' : undefined}>
        <DayInput label="Next reading" value={readOn} onChange={setReadOn} />
      </FormField>
      {trouble === null ? null : <p role="alert">{trouble}</p>}
      <div className="row">
        <Button type="primary" size="large" htmlType="submit" disabled={missing.length > 0 || far || late || own}>
          {missing.length > 0 ? `Enter ${missing[0] ?? ''}` : 'Give the permit'}
        </Button>
        <Button size="large" onClick={done}>
          Cancel
        </Button>
      </div>
    </Form>
  )
}

/** Leave to run it with something wrong until the work is done: with limits, a name and an end. */
export function PermitPanel({ permit, terms, say }: { permit: Permit | null; terms: PermitTerms; say: Say }) {
  const [giving, setGiving] = useState(false)
  const more = (permit?.times ?? 0) < permitTimes
  return (
    <section className="sheet stack" aria-label="Permit">
      <header>
        <h2>Run it until then?</h2>
      </header>
      {terms.bar !== null ? (
        <p className="note tone-stop" role="note">
          <b>No permit is given for this.</b> {terms.bar}
        </p>
      ) : giving ? (
        <PermitForm terms={terms} say={say} done={() => setGiving(false)} />
      ) : more ? (
        <div className="row">
          <Button size="large" onClick={() => setGiving(true)}>
            {permit ? 'Extend the permit' : 'Give a temporary-run permit'}
          </Button>
        </div>
      ) : (
        <p>It was extended once already: do the work, or shut it down.</p>
      )}
    </section>
  )
}

import type { JobStands } from '@motor-round/core/job'
import { Button, Form, Input } from 'antd'
import { useState } from 'react'
import { shortDay } from '../../app/dates.ts'
import { DayInput } from '../../parts/day-input/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import type { Say } from './use-job.ts'

function SubstituteForm({ today, say, done }: { today: string; say: Say; done: () => void }) {
  const [part, setPart] = useState('')
  const [inPlace, setInPlace] = useState('')
  const [until, setUntil] = useState('')
  const past = until !== '' && until < today
  const missing = [
    ...(part.trim() === '' ? ['the part that belongs there'] : []),
    ...(inPlace.trim() === '' ? ['what is in its place'] : []),
    ...(until === '' ? ['the date'] : []),
  ]
  return (
    <Form
      className="stack"
      aria-label="A substitute"
      onFinish={() => {
        void say({ kind: 'substitute', part: part.trim(), inPlace: inPlace.trim(), until }).then((kept) => {
          if (kept) done()
        })
      }}
    >
      <FormField label="Part that belongs there">
        <Input
          size="large"
          maxLength={80}
          value={part}
          placeholder="Capacitor 7.5 µF, 440 V"
          onChange={(e) => setPart(e.target.value)}
        />
      </FormField>
      <FormField label="What is in its place">
        <Input
          size="large"
          maxLength={80}
          value={inPlace}
          placeholder="5 and 2.5 µF in parallel"
          onChange={(e) => setInPlace(e.target.value)}
        />
      </FormField>
      <FormField label="Right part in by" error={past ? 'That day is past.' : undefined}>
        <DayInput label="Right part in by" value={until} onChange={setUntil} />
      </FormField>
      <div className="row">
        <Button type="primary" size="large" htmlType="submit" disabled={missing.length > 0 || past}>
          {missing.length > 0 ? `Enter ${missing[0] ?? ''}` : 'Save the substitute'}
        </Button>
        <Button size="large" onClick={done}>
          Cancel
        </Button>
      </div>
    </Form>
  )
}

/** Parts from the van that will do for now: each stays a finding of the machine until its day. */
export function SubstitutesPanel({
  stands,
  now,
  today,
  mayAct,
  say,
}: {
  stands: JobStands
  now: number
  today: string
  mayAct: boolean
  say: Say
}) {
  const [adding, setAdding] = useState(false)
  if (!mayAct && stands.substitutes.length === 0) return null
  return (
    <section className="sheet stack" aria-label="Substitutes">
      <header>
        <h2>Substitutes</h2>
      </header>
      <ul className="rows">
        {stands.substitutes.map((s) => (
          <li key={s.id} className={s.until < today ? 'tone-fix' : ''}>
            <b>{s.inPlace}</b> in place of {s.part}. Right part in by {shortDay(`${s.until}T12:00`, now)} · {s.by}
          </li>
        ))}
      </ul>
      {adding ? (
        <SubstituteForm today={today} say={say} done={() => setAdding(false)} />
      ) : mayAct ? (
        <div className="row">
          <Button size="large" onClick={() => setAdding(true)}>
            Record a substitute
          </Button>
        </div>
      ) : null}
    </section>
  )
}

import type { Gate } from '@motor-round/core/judge'
import type { GatePass } from '@motor-round/core/trend'
import { Button, Input } from 'antd'
import { useState } from 'react'
import { Field } from '../../parts/fields/index.ts'

const words: Record<Gate['id'], { title: string; passed: string }> = {
  dead: { title: 'Not yet: prove it dead first', passed: 'Dead tests opened without all of it' },
  restore: { title: 'Not yet: before power', passed: 'Power restored without all of it' },
  live: { title: 'Not yet: before live tests', passed: 'Live tests opened without all of it' },
}

/** What a shut gate still asks for; a named person may pass it with a reason, unless a reading bars the way. */
export function GateNote({
  gate,
  name,
  back,
  pass,
}: {
  gate: Gate
  name: string
  back: () => void
  pass: (p: GatePass) => void
}) {
  const [by, setBy] = useState(name)
  const [reason, setReason] = useState('')
  const [asking, setAsking] = useState(false)
  return (
    <section className={`gate ${gate.bars ? 'gate-barred' : ''}`} aria-label="Gate">
      <h2>{words[gate.id].title}</h2>
      {gate.bars ? (
        <p className="gate-bars" role="alert">
          {gate.bars}
        </p>
      ) : null}
      <ul>
        {gate.steps.map((s) => (
          <li key={s.id} className={s.met ? 'step-met' : 'step-missing'}>
            <b>{s.met ? 'Recorded' : 'Missing'}</b> {s.words}
          </li>
        ))}
      </ul>
      <div className="row">
        <Button type="primary" size="large" onClick={back}>
          Take what is missing
        </Button>
        {gate.bars || asking ? null : (
          <Button size="large" onClick={() => setAsking(true)}>
            Go on without it
          </Button>
        )}
      </div>
      {asking && !gate.bars ? (
        <div className="stack gate-pass">
          <p>Who answers for it, and why. It stays in the record and in the report.</p>
          <Field label="Name">
            <Input value={by} maxLength={60} onChange={(e) => setBy(e.target.value)} />
          </Field>
          <Field label="Reason">
            <Input value={reason} maxLength={400} onChange={(e) => setReason(e.target.value)} />
          </Field>
          <Button
            disabled={by.trim() === '' || reason.trim() === ''}
            onClick={() => pass({ gate: gate.id, by: by.trim(), reason: reason.trim() })}
          >
            Pass the gate
          </Button>
        </div>
      ) : null}
    </section>
  )
}

/** A gate that was passed, said wherever it matters. */
export function PassedNote({ gate }: { gate: Gate }) {
  if (!gate.passed) return null
  return (
    <p className="caution">
      {words[gate.id].passed}: {gate.passed.by}, “{gate.passed.reason}”.
    </p>
  )
}

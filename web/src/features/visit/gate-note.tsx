import type { Gate } from '@motor-round/core/judge'
import type { GatePass } from '@motor-round/core/trend'
import { Button, Input } from 'antd'
import { useState } from 'react'
import { Field } from '../../parts/fields/index.ts'

const words: Record<Gate['id'], { title: string; passed: string }> = {
  dead: { title: 'Locked: prove de-energized first', passed: 'Dead tests opened by override' },
  restore: { title: 'Locked: before power', passed: 'Power-up opened by override' },
  live: { title: 'Locked: before live tests', passed: 'Live tests opened by override' },
  close: { title: 'Not everything is restored', passed: 'Saved by override with items not restored' },
}

/** What a shut gate still asks for; who is signed in may pass it with a reason, unless a reading bars the way. */
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
  const [reason, setReason] = useState('')
  const [asking, setAsking] = useState(false)
  return (
    <section
      className={`note tone-${gate.bars ? 'stop' : 'watch'} gate`}
      aria-label={gate.id === 'close' ? 'Before saving' : 'Gate'}
    >
      <h2>{words[gate.id].title}</h2>
      {gate.bars ? (
        <p className="strong" role="alert">
          {gate.bars}
        </p>
      ) : null}
      <ul className="rows">
        {gate.steps.map((s) => (
          <li key={s.id} className={s.met ? 'tone-ok' : 'tone-fix'}>
            <b>{s.met ? 'Done' : 'Missing'}</b> {s.words}
          </li>
        ))}
      </ul>
      <div className="row">
        <Button type="primary" size="large" onClick={back}>
          {gate.id === 'close' ? 'Enter what is restored' : 'Enter what is missing'}
        </Button>
        {gate.bars || asking ? null : (
          <Button size="large" onClick={() => setAsking(true)}>
            Override
          </Button>
        )}
      </div>
      {asking && !gate.bars ? (
        <div className="stack">
          <p>Your name, {name}, and the reason stay in the record and in the report.</p>
          <Field label="Reason">
            <Input value={reason} maxLength={400} onChange={(e) => setReason(e.target.value)} />
          </Field>
          <Button
            disabled={reason.trim() === ''}
            onClick={() => pass({ gate: gate.id, by: name, reason: reason.trim() })}
          >
            Override
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
    <p className="note tone-watch caution">
      {words[gate.id].passed}: {gate.passed.by}, “{gate.passed.reason}”.
    </p>
  )
}

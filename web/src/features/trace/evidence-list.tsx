import { testOf, type TraceStands } from '@motor-round/core/trace'
import { Button, Input, Popconfirm } from 'antd'
import { useState } from 'react'
import { clockTime, shortDay } from '../../app/dates.ts'
import type { Said } from './use-step.ts'

type Weighed = TraceStands['evidence'][number]

function words(e: Weighed): string {
  const test = testOf.get(e.result[0])
  return test
    ? `${test.title}: ${test.outcomes.find((o) => o.id === e.result[1])?.words ?? e.result[1]}`
    : e.result.join(': ')
}

const countWords = (n: number) => (n === 1 ? '1 result counts' : `${n} results count`)

function Strike({ of, say }: { of: Weighed; say: (...said: readonly Said[]) => Promise<boolean> }) {
  const [reason, setReason] = useState('')
  if (of.counts.kind === 'struck out')
    return (
      <Button type="link" onClick={() => void say({ kind: 'restored', evidence: of.id })}>
        Restore
      </Button>
    )
  return (
    <Popconfirm
      title="Strike this out?"
      description={
        <Input
          aria-label="Reason"
          placeholder="Reason: wrong unit, bad contact …"
          value={reason}
          maxLength={400}
          onChange={(e) => setReason(e.target.value)}
        />
      }
      okText="Strike out"
      okButtonProps={{ disabled: reason.trim() === '' }}
      onConfirm={() => void say({ kind: 'struck', evidence: of.id, reason })}
    >
      <Button type="link">Strike out</Button>
    </Popconfirm>
  )
}

/** What was found, newest first: what counts, what was read again, what was struck out and why. */
export function EvidenceList({
  stands,
  now,
  mayAct,
  say,
}: {
  stands: TraceStands
  now: number
  mayAct: boolean
  say: (...said: readonly Said[]) => Promise<boolean>
}) {
  return (
    <section className="sheet" aria-label="Evidence">
      <header>
        <h2>Evidence</h2>
        <span className="quiet">{countWords(stands.evidence.filter((e) => e.counts.kind === 'counts').length)}</span>
      </header>
      {stands.evidence.length === 0 ? (
        <p className="quiet">Nothing yet. Answer the next test, or take readings: they count by themselves.</p>
      ) : null}
      <ol className="rows trace-evidence">
        {[...stands.evidence].reverse().map((e) => (
          <li key={e.id} className={e.counts.kind === 'counts' ? '' : 'trace-out'}>
            <b>{words(e)}</b>
            <span className="quiet">
              {shortDay(new Date(e.at).toISOString(), now)} {clockTime(new Date(e.at).toISOString())}, {e.by}
              {e.visit === null ? '' : ' · from a visit'}
              {e.counts.kind === 'read again' ? ' · read again since' : ''}
              {e.counts.kind === 'struck out' ? ` · struck out by ${e.counts.by}: ${e.counts.reason}` : ''}
            </span>
            {mayAct && e.counts.kind !== 'read again' ? <Strike of={e} say={say} /> : null}
          </li>
        ))}
      </ol>
    </section>
  )
}

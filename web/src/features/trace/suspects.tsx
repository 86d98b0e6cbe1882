import { causeOf, testOf, type Feature, type Suspect, type TraceStands } from '@motor-round/core/trace'
import { Button, Input, Popconfirm } from 'antd'
import { useState } from 'react'
import type { Said } from './use-step.ts'

const missingWords = (s: Suspect): string =>
  s.missing
    .map(([test, outcome]) => {
      const t = testOf.get(test)
      return t ? `${t.title.toLowerCase()} "${t.outcomes.find((o) => o.id === outcome)?.words ?? outcome}"` : ''
    })
    .join(' and ')

const percent = (p: number) => (p >= 0.995 ? '> 99 %' : p < 0.01 ? '< 1 %' : `${(100 * p).toFixed(0)} %`)

/** What goes with a cause: what it does to other parts, and what brought it about. */
function chainWords(id: string, features: ReadonlySet<Feature>): string {
  const cause = causeOf.get(id)
  if (!cause) return ''
  // Only what this machine has.
  const here = (ids: readonly string[]) => ids.filter((x) => causeOf.get(x)?.fits.every((f) => features.has(f)))
  const names = (ids: readonly string[]) =>
    here(ids)
      .map((x) => causeOf.get(x)?.name.toLowerCase() ?? x)
      .join('; ')
  const parts = [
    here(cause.killedBy).length > 0 ? `Look for what killed it: ${names(cause.killedBy)}.` : '',
    here(cause.kills).length > 0 ? `Look for a second victim: ${names(cause.kills)}.` : '',
  ]
  return parts.filter(Boolean).join(' ')
}

function Drop({ suspect, say }: { suspect: Suspect; say: (...said: readonly Said[]) => Promise<boolean> }) {
  const [reason, setReason] = useState('')
  return (
    <Popconfirm
      title={`Drop "${suspect.name}"?`}
      description={
        <Input
          aria-label="Reason"
          placeholder="Reason"
          value={reason}
          maxLength={400}
          onChange={(e) => setReason(e.target.value)}
        />
      }
      okText="Drop"
      okButtonProps={{ disabled: reason.trim() === '' }}
      onConfirm={() => void say({ kind: 'dropped', cause: suspect.id, reason, p: suspect.p })}
    >
      <Button type="link">Drop</Button>
    </Popconfirm>
  )
}

/** The causes that are still possible, likeliest first, each with a bar that moves as evidence comes in. */
export function Suspects({
  stands,
  features,
  mayAct,
  say,
}: {
  stands: TraceStands
  features: ReadonlySet<Feature>
  mayAct: boolean
  say: (...said: readonly Said[]) => Promise<boolean>
}) {
  const [all, setAll] = useState(false)
  const shown = stands.suspects.filter((s, i) => all || (i < 6 && s.p >= 0.005))
  const [top] = stands.suspects.filter((s) => s.dropped === null || s.back)
  const chain = top && top.p >= 0.6 ? chainWords(top.id, features) : ''
  return (
    <section className="sheet" aria-label="Causes">
      <header>
        <h2>Causes</h2>
        {top && top.confidence !== 'open' ? <b className="trace-sure">{top.confidence}</b> : null}
      </header>
      <ol className="rows trace-suspects">
        {shown.map((s) => (
          <li key={s.id} className={s.dropped && !s.back ? 'trace-dropped' : ''}>
            <div className="between">
              <b>{s.name}</b>
              <span className="trace-p">{percent(s.p)}</span>
            </div>
            <div className="trace-line">
              <div className="trace-bar" role="presentation">
                <i style={{ width: `${Math.max(1, 100 * s.p)}%` }} />
              </div>
              {mayAct && !s.dropped && s.p >= 0.01 && causeOf.has(s.id) ? <Drop suspect={s} say={say} /> : null}
            </div>
            {s.dropped ? (
              <p className="quiet">
                Dropped by {s.dropped.by}: {s.dropped.reason}.{s.back ? ' New evidence has made it likely again.' : ''}
              </p>
            ) : null}
            {s === top && s.missing.length > 0 ? (
              <p className="quiet">Proof still missing: {missingWords(s)}.</p>
            ) : null}
          </li>
        ))}
      </ol>
      {chain === '' ? null : <p className="note">{chain}</p>}
      <Button type="link" onClick={() => setAll(!all)}>
        {all ? 'Show the likeliest' : `Show all ${stands.suspects.length}`}
      </Button>
    </section>
  )
}

import { Button, Timeline } from 'antd'
import { useState } from 'react'
import { api } from '../../app/api.ts'
import { dayTime } from '../../app/dates.ts'

function told(v: unknown): string {
  if (v === null || v === undefined) return 'blank'
  return typeof v === 'string' ? v : JSON.stringify(v)
}

/** Change log on this machine's record. Opened on demand. */
export function Trail({ ids }: { ids: readonly string[] }) {
  const [open, setOpen] = useState(false)
  return (
    <section className="sheet">
      <header>
        <h2>Change log</h2>
        <Button type="link" onClick={() => setOpen(!open)}>
          {open ? 'Hide' : 'Show'}
        </Button>
      </header>
      {open ? ids.map((id) => <Entries key={id} id={id} />) : null}
    </section>
  )
}

function Entries({ id }: { id: string }) {
  const entries = api.useAuditQuery({ query: { id } }).data ?? []
  return (
    <Timeline
      items={entries.map((e) => ({
        key: e.id,
        content: (
          <>
            {dayTime(e.at)} · {e.by} · {e.what}
            {e.why ? `: ${e.why}` : ''}{' '}
            <span className="quiet">
              {e.changes
                .slice(0, 6)
                .map((c) => `${c.field}: ${told(c.before)} → ${told(c.after)}`)
                .join('; ')}
            </span>
          </>
        ),
      }))}
    />
  )
}

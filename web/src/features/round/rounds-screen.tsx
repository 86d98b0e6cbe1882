import type { RoundHead } from '@motor-round/contract'
import { Button, Progress } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { api } from '../../app/api.ts'
import { shortDay } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { useNow } from '../../app/now.ts'
import { useMay } from '../../app/shell/index.ts'
import { usePhone } from '../../offline/react/use-phone.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import './round.css'

const often = { week: 'week', month: 'month', quarter: 'quarter', year: 'year' } as const

function Row({ r, now, here }: { r: RoundHead; now: number; here: boolean }) {
  const done = r.visits === 0 ? 0 : (100 * (r.done + r.skipped)) / r.visits
  return (
    <li>
      <Link to={`/rounds/${r.id}`} className="round-row">
        <b>{shortDay(`${r.day}T12:00:00Z`, now)}</b>
        <span className="round-name">
          {r.name}
          <small>
            {r.people.map((p) => p.name).join(', ')}
            {r.recurs
              ? ` · every ${r.recurs.times === 1 ? '' : `${r.recurs.times} `}${often[r.recurs.every]}${r.recurs.times === 1 ? '' : 's'}`
              : ''}
            {here ? ' · on this phone' : ''}
          </small>
        </span>
        <Progress percent={done} showInfo={false} strokeLinecap="butt" aria-hidden="true" />
        <span className="round-count">
          {r.state === 'closed' ? 'closed, ' : ''}
          {r.done} of {r.visits} done{r.skipped > 0 ? `, ${r.skipped} skipped` : ''}
        </span>
      </Link>
    </li>
  )
}

/** A calendar address for the rounds, made when it is asked for: whoever has it can read them. */
function Calendar() {
  const [make, made] = api.useCalendarLinkMutation()
  const [shown, setShown] = useState(false)
  const url = made.data ? `${window.location.origin}${made.data.path}` : ''
  return (
    <section className="sheet">
      <header>
        <h2>Calendar</h2>
      </header>
      {shown && made.data ? (
        <>
          <p>
            Subscribe to <a href={url}>{url}</a>
          </p>
          <p className="quiet">Anyone with this address can see the rounds. A new address turns the old one off.</p>
        </>
      ) : (
        <Button
          loading={made.isLoading}
          onClick={() => {
            void make({}).then(() => setShown(true))
          }}
        >
          Create calendar address
        </Button>
      )}
      <FailureNote failure={made.error as Failure | undefined} kept="Nothing was saved." />
    </section>
  )
}

/** Rounds: the next first, then those that are closed. */
export function RoundsScreen() {
  const query = api.useRoundsQuery({})
  const now = useNow()
  const mayPlan = useMay('lead')
  const phone = usePhone()
  const list = query.currentData ?? []
  const open = list.filter((r) => r.state === 'planned')
  const closed = list.filter((r) => r.state === 'closed')
  const rows = (l: readonly RoundHead[]) => (
    <ul className="sheet rows">
      {l.map((r) => (
        <Row key={r.id} r={r} now={now} here={phone.snapshots.some((t) => t.roundId === r.id)} />
      ))}
    </ul>
  )
  return (
    <div className="page stack">
      <div className="between">
        <h1>Rounds</h1>
        {mayPlan ? (
          <Link to="/rounds/new">
            <Button type="primary">Plan a round</Button>
          </Link>
        ) : null}
      </div>
      <FailureNote failure={query.error as Failure | undefined} kept="Rounds cannot be loaded." />
      {query.currentData && open.length === 0 ? (
        <p className="sheet">
          {mayPlan
            ? 'No round is planned. Plan one from the work that is due.'
            : 'No round is planned. A lead plans rounds.'}
        </p>
      ) : (
        rows(open)
      )}
      {closed.length > 0 ? (
        <section className="stack">
          <h2>Closed</h2>
          {rows(closed)}
        </section>
      ) : null}
      {query.currentData ? <Calendar /> : null}
    </div>
  )
}

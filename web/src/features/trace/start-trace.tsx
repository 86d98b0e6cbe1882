import { machineFacts, type MachinePage } from '@motor-round/contract'
import { causeOf, complaints, featuresOf } from '@motor-round/core/trace'
import { Button, Form, Input } from 'antd'
import { useState } from 'react'
import { useDispatch } from 'react-redux'
import { Link, useNavigate, useParams, useSearchParams } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { shortDay } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { useClock, useNow } from '../../app/now.ts'
import { useMay } from '../../app/shell/index.ts'
import { tryEnqueue } from '../../offline/core/enqueue.ts'
import { Choice, PageFailure, TroubleNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { PeersList } from './peers-list.tsx'
import './trace.css'

function Earlier({ page, now }: { page: MachinePage; now: number }) {
  if (page.traces.length === 0) return null
  return (
    <section className="sheet" aria-label="Traces">
      <header>
        <h2>Traces of this machine</h2>
      </header>
      <ul className="rows">
        {page.traces.map((t) => {
          const closed = t.steps.findLast((s) => s.kind === 'closed')
          return (
            <li key={t.id}>
              <Link className="trace-earlier" to={`/machines/${page.machine.id}/trace/${t.id}`}>
                <b>{complaints.find((c) => c.id === t.complaint)?.words ?? 'No complaint'}</b>
                <span className="quiet">
                  {shortDay(t.at, now)}, {t.by} ·{' '}
                  {closed?.kind === 'closed'
                    ? `${causeOf.get(closed.cause)?.name ?? 'not listed'} (${closed.confidence})`
                    : 'not finished'}
                </span>
              </Link>
            </li>
          )
        })}
      </ul>
    </section>
  )
}

/** Begin a search for a fault: what was reported, in the trade's words and in the caller's. */
export function StartTrace() {
  const id = useParams()['id'] ?? ''
  const [params] = useSearchParams()
  const query = api.useMachinePageQuery({ params: { id } })
  const page = query.currentData
  const me = api.useSessionQuery({}).data?.person?.id ?? ''
  const mayAct = useMay('mechanic')
  const now = useNow()
  const clock = useClock()
  const dispatch = useDispatch()
  const navigate = useNavigate()
  const [traceId] = useState(() => uuid())
  const [complaint, setComplaint] = useState<string | null>(null)
  const [words, setWords] = useState('')
  const [trouble, setTrouble] = useState<string | null>(null)
  if (query.error && !page)
    return <PageFailure failure={query.error as Failure} kept="This machine cannot be loaded." />
  if (!page) return <Loading page />
  const has = featuresOf(machineFacts(page))
  const begin = async () => {
    const failed = await tryEnqueue(me, [
      {
        kind: 'trace',
        body: {
          id: traceId,
          machineId: id,
          visitId: params.get('visit'),
          at: new Date(clock()).toISOString(),
          complaint,
          words,
        },
      },
    ])
    setTrouble(failed)
    if (failed !== null) return
    dispatch(api.util.invalidateTags(['machine']))
    void navigate(`/machines/${id}/trace/${traceId}`, { replace: true })
  }
  return (
    <div className="page stack trace-start">
      <header>
        <h1>
          Find the fault: <Link to={`/machines/${id}`}>{`${page.unit.tag} / ${page.machine.tag}`}</Link>
        </h1>
      </header>
      {mayAct ? (
        <Form
          className="sheet stack"
          aria-label="What was reported"
          onFinish={() => {
            void begin()
          }}
        >
          <Choice
            label="Reported"
            value={complaint}
            options={complaints
              .filter((c) => c.fits === null || has.has(c.fits))
              .map((c) => ({ value: c.id, label: c.words }))}
            onChange={setComplaint}
          />
          <FormField label="In the caller’s words">
            <Input
              value={words}
              maxLength={300}
              placeholder="Trips about once a week, always at night …"
              onChange={(e) => setWords(e.target.value)}
            />
          </FormField>
          <p className="quiet">
            Readings of the last day, and of visits whose findings still stand, count as evidence and are not asked for
            again.
          </p>
          <TroubleNote words={trouble} />
          <div className="row">
            <Button type="primary" size="large" htmlType="submit">
              {complaint === null ? 'Begin without a complaint' : 'Begin'}
            </Button>
          </div>
        </Form>
      ) : null}
      <Earlier page={page} now={now} />
      <PeersList page={page} now={now} />
    </div>
  )
}

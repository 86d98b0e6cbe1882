import type { MachinePage, TraceRecord } from '@motor-round/contract'
import { causeOf, complaints, controlString, powerPath } from '@motor-round/core/trace'
import { Button } from 'antd'
import { useEffect } from 'react'
import { Link, useParams } from 'react-router'
import { useJudgedPage } from '../../app/judging.ts'
import { shortDay } from '../../app/dates.ts'
import { useNow } from '../../app/now.ts'
import { useMay } from '../../app/shell/index.ts'
import { PageFailure, TroubleNote } from '../../parts/fields/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { DelayClock } from './delay-clock.tsx'
import { EvidenceList } from './evidence-list.tsx'
import { FinishTrace } from './finish-trace.tsx'
import { NextCard } from './next-card.tsx'
import { PathDrawing } from './path-drawing.tsx'
import { PeersList } from './peers-list.tsx'
import { Suspects } from './suspects.tsx'
import { useStep } from './use-step.ts'
import { useTrace } from './use-trace.ts'
import './trace.css'

/** What cannot wait for the next test. */
const dangers: Readonly<Record<string, string>> = {
  hums: 'It hums and does not turn: switch it off at the source now. The winding overheats while it hums.',
  'runs-off':
    'It turns though it should be off: do not touch the cabinet. Clamp the lines and the grounding conductor, then isolate at the source. Never take the ground wire off.',
}

/** A trace at work: the next test, the causes, the evidence, and the way of the power. */
function Trace({ page, trace }: { page: MachinePage; trace: TraceRecord }) {
  const now = useNow()
  const may = useMay('mechanic')
  const { say, trouble } = useStep(trace)
  const traced = useTrace(page, trace)
  if (!traced) return <Loading page />
  const { stands, features, fan } = traced
  const { closed, reclose, shouldRun } = stands
  const mayAct = may && closed === null
  const found = stands.evidence.findLast((e) => e.counts.kind === 'counts' && e.result[0] === 'see-fan')?.result[1]
  const urgent = stands.setup === 'as found' && closed === null ? dangers[found ?? ''] : undefined
  const results = stands.evidence.filter((e) => e.counts.kind === 'counts').map((e) => e.result)
  return (
    <div className="page stack trace">
      <header>
        <h1>
          Find the fault: <Link to={`/machines/${page.machine.id}`}>{`${page.unit.tag} / ${page.machine.tag}`}</Link>
        </h1>
        <p className="quiet">
          {complaints.find((c) => c.id === trace.complaint)?.words ?? 'No complaint'}
          {trace.words === '' ? '' : ` · “${trace.words}”`} · begun {shortDay(trace.at, now)} by {trace.by} ·{' '}
          {stands.setup}
        </p>
      </header>
      {closed ? (
        <p className="note" role="status">
          Finished by {closed.by}: <b>{causeOf.get(closed.cause)?.name ?? 'Something not listed'}</b>,{' '}
          {closed.confidence}. {closed.note}
        </p>
      ) : null}
      {reclose ? (
        <div className={`note ${reclose.may ? 'tone-watch' : 'tone-stop'}`} role="alert">
          <b>{reclose.may ? 'It may be closed once.' : 'Do not close it.'}</b> {reclose.because} {reclose.next}
          {reclose.may && mayAct ? (
            <div className="row">
              <Button onClick={() => void say({ kind: 'tripped again' })}>It opened again</Button>
            </div>
          ) : null}
        </div>
      ) : null}
      {urgent === undefined ? null : (
        <p className="note tone-stop" role="alert">
          {urgent}
        </p>
      )}
      {stands.startBarred === null || reclose !== null || closed !== null ? null : (
        <p className="note tone-stop" role="alert">
          {stands.startBarred}
        </p>
      )}
      {shouldRun.should === 'no' ? (
        <div className="note tone-watch" role="status">
          <b>It should not run now.</b> {shouldRun.because} {shouldRun.next}
          {shouldRun.counts && mayAct ? <DelayClock key={trace.id} traceId={trace.id} /> : null}
        </div>
      ) : null}
      {stands.disagreements.map((d) => (
        <p key={d.because} className="note tone-fix" role="alert">
          {d.because} {d.next}
        </p>
      ))}
      <TroubleNote words={trouble} />
      <div className="trace-columns">
        <div className="stack">
          {mayAct ? (
            <NextCard stands={stands} features={features} fan={fan} page={page} traceId={trace.id} say={say} />
          ) : null}
          {mayAct ? <FinishTrace page={page} trace={trace} stands={stands} /> : null}
        </div>
        <div className="stack">
          <Suspects stands={stands} features={features} mayAct={mayAct} say={say} />
          <PeersList page={page} now={now} />
        </div>
        <div className="stack">
          <EvidenceList stands={stands} now={now} mayAct={mayAct} say={say} />
          <PathDrawing title="Power path" nodes={powerPath(features, results)} />
          <PathDrawing title="Control string" nodes={controlString(features, results)} />
        </div>
      </div>
    </div>
  )
}

/** One trace of a machine. */
export function TraceScreen() {
  const { id = '', traceId = '' } = useParams()
  const { page, failure } = useJudgedPage(id)
  useEffect(() => {
    // A trace goes on where there is no signal: its machine is kept on this phone from its first look on.
    const keep = async () => (await import('../../offline/core/snapshot.ts')).downloadMachine(id)
    keep().catch(() => undefined)
  }, [id])
  if (failure && !page) return <PageFailure failure={failure} kept="This machine cannot be loaded." />
  if (!page) return <Loading page />
  const trace = page.traces.find((t) => t.id === traceId)
  return trace ? <Trace page={page} trace={trace} /> : <p className="page">This trace was not found.</p>
}

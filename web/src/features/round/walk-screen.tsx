import { stepOf, stepState } from '@motor-round/core/round'
import { Button } from 'antd'
import { Suspense, useState } from 'react'
import { useDispatch } from 'react-redux'
import { Link, useParams } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import type { Failure } from '../../app/failure.ts'
import { useClock } from '../../app/now.ts'
import { useMay } from '../../app/shell/index.ts'
import { usePreload } from '../../offline/react/use-preload.ts'
import { enqueueEvent } from '../../offline/core/enqueue.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { WalkLine } from '../../parts/walk-line/index.ts'
import { Here } from './walk-here.tsx'
import { loadHowTo } from '../../parts/how-to/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { WalkPauses } from './walk-pauses.tsx'
import { partWords, tagOf, walkOrder } from './words.ts'
import { lazyPart } from '../../parts/late-part/index.ts'
import './walk.css'

// Only some walks need it: it brings the large fields along.
const FindingForm = lazyPart('The finding form', async () => (await import('../findings/index.ts')).FindingForm)
const AddMachine = lazyPart('The form for a machine', async () => (await import('./add-machine.tsx')).AddMachine)

const partsOfWalk = () => [
  import('./walk-skip.tsx'),
  import('./add-machine.tsx'),
  import('../findings/index.ts'),
  // The next tap, most of the time.
  import('../visit/index.ts'),
  loadHowTo(),
]

/** The walk: the line on top, one visit at a time, the next by one thumb. Works without a signal. */
export function WalkScreen() {
  const id = useParams()['id'] ?? ''
  const query = api.useRoundQuery({ params: { id } })
  const clock = useClock()
  const mayAct = useMay('mechanic')
  const person = api.useSessionQuery({}).data?.person
  const dispatch = useDispatch()
  const [at, setAt] = useState<string | null>(null)
  const [adding, setAdding] = useState<'machine' | 'finding' | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const page = query.currentData
  usePreload(partsOfWalk, page !== undefined)
  if (query.error && !page)
    return (
      <div className="page">
        <FailureNote
          failure={query.error as Failure}
          kept="This round is not on this phone. Download it for offline while you have signal."
        />
      </div>
    )
  if (!page) return <Loading page />
  const mine = page.head.people.find((p) => p.name === person?.name)?.id ?? null
  const order = walkOrder(page, mine)
  const open = order.filter((v) => ['open', 'began'].includes(stepState(page.events, v)))
  const here = at !== null && order.includes(at) ? at : (open[0] ?? order[0] ?? null)
  const visitOf = (v: string | null) =>
    v === null ? undefined : page.visits.find((s) => s.machineId === stepOf(v).machineId)
  const visit = visitOf(here)
  const next = open.find((v) => v !== here) ?? null
  const nextVisit = visitOf(next)
  const tell = async (
    kind: 'began' | 'skipped' | 'done' | 'moved' | 'added',
    machineId: string,
    more: { note?: string; place?: number } = {},
  ) => {
    const failed = await enqueueEvent(person?.id ?? '', {
      id: uuid(),
      roundId: id,
      machineId,
      kind,
      at: new Date(clock()).toISOString(),
      ...more,
    })
    setProblem(failed)
    if (failed === null) dispatch(api.util.invalidateTags(['round']))
    return failed === null
  }
  /** A machine joins the walk: its page comes along, where it is of the record and can be reached. */
  const join = async (machineId: string) => {
    const { downloadMachine } = await import('../../offline/core/snapshot.ts')
    await downloadMachine(machineId).catch(() => undefined)
    if (await tell('added', machineId)) setAt(machineId)
  }
  const put = (by: number) => {
    if (here === null) return
    const place = Math.max(0, Math.min(order.length - 1, order.indexOf(here) + by))
    void tell('moved', stepOf(here).machineId, { place }).then(() => setAt(by > 0 ? null : here))
  }
  return (
    <div className="walk">
      <WalkLine
        marks={order.map((v) => {
          const s = visitOf(v)
          const { part } = stepOf(v)
          return {
            id: v,
            tag: s ? `${tagOf(s)}${part === 'work' ? '' : `, ${partWords[part]}`}` : '',
            state: stepState(page.events, v),
            level: part === 'lock' ? null : (s?.level ?? null),
          }
        })}
        here={here}
        pick={setAt}
      />
      <div className="walk-body">
        <p className="quiet walk-count">
          <Link to={`/rounds/${id}`}>{page.head.name}</Link> · {order.length - open.length} of {order.length} done
        </p>
        {problem === null ? null : (
          <p className="note tone-fix problem" role="alert">
            {problem}
          </p>
        )}
        <WalkPauses page={page} order={order} pick={setAt} />
        {visit && here !== null ? (
          <Here
            key={here}
            page={page}
            visit={visit}
            id={here}
            mayAct={mayAct}
            tell={(kind, note) => tell(kind, visit.machineId, note === undefined ? {} : { note })}
            put={put}
          />
        ) : (
          <p className="sheet">No visit is assigned to you. Add a machine, or view the whole round.</p>
        )}
        {open.length === 0 && visit ? (
          <p className="sheet walk-end">
            All visits are done. <Link to={`/rounds/${id}`}>View summary</Link>
          </p>
        ) : null}
        {adding === 'finding' && visit ? (
          <Suspense fallback={<Loading />}>
            <FindingForm
              key={visit.machineId}
              of={{ machineId: visit.machineId, roundId: id }}
              done={() => setAdding(null)}
            />
          </Suspense>
        ) : adding === 'machine' ? (
          <Suspense fallback={<Loading />}>
            <AddMachine
              page={page}
              done={(machineId) => {
                setAdding(null)
                if (machineId !== null) void join(machineId)
              }}
            />
          </Suspense>
        ) : mayAct && page.head.state === 'planned' ? (
          <div className="row">
            {visit ? (
              <Button size="large" onClick={() => setAdding('finding')}>
                Add finding
              </Button>
            ) : null}
            <Button size="large" onClick={() => setAdding('machine')}>
              Add a machine
            </Button>
          </div>
        ) : null}
      </div>
      {nextVisit && here !== next && adding === null ? (
        <button type="button" className="walk-next" onClick={() => setAt(next)}>
          Next: {tagOf(nextVisit)}
          {next !== null && stepOf(next).part !== 'work' ? `, ${partWords[stepOf(next).part]}` : ''}
        </button>
      ) : null}
    </div>
  )
}

import type { MachinePage } from '@motor-round/contract'
import { jobKindOf, jobKinds, planJob, schedule } from '@motor-round/core/job'
import { Button, Form, Input, Select } from 'antd'
import { useState } from 'react'
import { useDispatch } from 'react-redux'
import { Link, useNavigate, useParams, useSearchParams } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import type { Failure } from '../../app/failure.ts'
import { useClock } from '../../app/now.ts'
import { useMay } from '../../app/shell/index.ts'
import { tryEnqueue } from '../../offline/core/enqueue.ts'
import { Choice, PageFailure, TroubleNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { usePace } from './use-pace.ts'
import { durationWords } from './words.ts'
import './job.css'

/** What fits a machine: no belts on a direct drive, no drive where there is none. */
function kindsFor({ machine, unit }: MachinePage) {
  const not = new Set<string>([
    ...(machine.drive === 'direct' ? ['belt-motor', 'shaft', 'sheaves'] : ['direct-motor', 'psc-motor']),
    ...(machine.phases === 3 ? ['psc-motor', 'capacitor'] : []),
    ...(machine.hasVfd ? ['contactor'] : ['drive']),
    ...(machine.controls.gasSection ? [] : ['deck']),
    ...(unit.kind === 'EF' || unit.kind === 'condenser' ? ['filters'] : []),
  ])
  return jobKinds.filter((k) => !not.has(k.id))
}

function JobForm({ page }: { page: MachinePage }) {
  const [params] = useSearchParams()
  const finding = page.findings.find((f) => f.id === params.get('finding'))
  const me = api.useSessionQuery({}).data?.person?.id ?? ''
  const clock = useClock()
  const dispatch = useDispatch()
  const navigate = useNavigate()
  const [jobId] = useState(() => uuid())
  const [title, setTitle] = useState(finding?.text.slice(0, 120) ?? '')
  const [kinds, setKinds] = useState<readonly string[]>([])
  const [crew, setCrew] = useState<number | null>(null)
  const [trouble, setTrouble] = useState<string | null>(null)
  const { pace } = usePace()
  const usual = Math.max(1, ...kinds.map((k) => jobKindOf.get(k)?.crew ?? 1))
  const people = crew ?? usual
  const plan = kinds.length === 0 ? null : planJob(kinds, { hasVfd: page.machine.hasVfd, pace })
  const planned = plan ? schedule(plan, people) : null
  const short = planned?.short.length ?? 0
  const missing = [...(kinds.length === 0 ? ['what is to be done'] : []), ...(title.trim() === '' ? ['a title'] : [])]
  const save = async () => {
    const failed = await tryEnqueue(me, [
      {
        kind: 'job',
        body: {
          id: jobId,
          machineId: page.machine.id,
          findingId: finding?.id ?? null,
          at: new Date(clock()).toISOString(),
          title: title.trim(),
          kinds: [...kinds],
          crew: people,
        },
      },
    ])
    setTrouble(failed)
    if (failed !== null) return
    dispatch(api.util.invalidateTags(['machine']))
    void navigate(`/machines/${page.machine.id}/jobs/${jobId}`, { replace: true })
  }
  return (
    <Form
      className="sheet stack"
      aria-label="A job"
      onFinish={() => {
        void save()
      }}
    >
      {finding ? (
        <p>
          Answers the finding: <b>{finding.text}</b>
        </p>
      ) : null}
      <FormField label="What is to be done">
        <Select
          mode="multiple"
          size="large"
          placeholder="Choose one, or several under one lockout"
          optionFilterProp="label"
          value={[...kinds]}
          onChange={(list: string[]) => {
            setKinds(list.slice(0, 4))
            const [first] = list
            if (title.trim() === '' && first !== undefined) setTitle(jobKindOf.get(first)?.title ?? '')
          }}
          options={kindsFor(page).map((k) => ({ value: k.id, label: k.title }))}
        />
      </FormField>
      {kinds.map((k) => (
        <p key={k} className="quiet">
          <b>{jobKindOf.get(k)?.title}:</b> {jobKindOf.get(k)?.when}
        </p>
      ))}
      <FormField label="Title">
        <Input value={title} maxLength={120} onChange={(e) => setTitle(e.target.value)} />
      </FormField>
      <Choice
        label="People"
        value={String(people)}
        options={['1', '2', '3'].map((value) => ({ value, label: value }))}
        onChange={(n) => setCrew(n === null ? null : Number(n))}
      />
      {planned ? (
        <p role="status">
          <b>{durationWords(planned.minutes)}</b> from start to end, {durationWords(planned.labor)} of work,{' '}
          {plan?.length} steps.
        </p>
      ) : null}
      {short > 0 ? (
        <p className="note tone-fix" role="alert">
          {short === 1 ? 'One step takes' : `${short} steps take`} two people: something loses its support.
        </p>
      ) : null}
      <TroubleNote words={trouble} />
      <div className="row">
        <Button type="primary" size="large" htmlType="submit" disabled={missing.length > 0}>
          {missing.length > 0 ? `Enter ${missing.join(' and ')}` : 'Save the job'}
        </Button>
      </div>
    </Form>
  )
}

/** Make a job for a machine, from a finding or from nothing. */
export function NewJob() {
  const id = useParams()['id'] ?? ''
  const query = api.useMachinePageQuery({ params: { id } })
  const page = query.currentData
  const mayAct = useMay('mechanic')
  if (query.error && !page)
    return <PageFailure failure={query.error as Failure} kept="This machine cannot be loaded." />
  if (!page) return <Loading page />
  return (
    <div className="page stack job">
      <header>
        <h1>
          New job: <Link to={`/machines/${id}`}>{`${page.unit.tag} / ${page.machine.tag}`}</Link>
        </h1>
      </header>
      {mayAct ? <JobForm page={page} /> : <p>A technician or a lead can make a job.</p>}
    </div>
  )
}

import dayjs from 'dayjs'
import { Button, Input, Select } from 'antd'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { clockOf, minuteOf, spanOf } from '@motor-round/core/round'
import { shortDay } from '../../app/dates.ts'
import { fieldMessage, type Failure } from '../../app/failure.ts'
import { useNow } from '../../app/now.ts'
import { useMay } from '../../app/shell/index.ts'
import { DayInput } from '../../parts/day-input/index.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { Columns } from '../../parts/columns/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { DueList } from './due-list.tsx'
import { People, type Person } from './round-people.tsx'
import './round.css'

const dayAfter = (now: number) => dayjs(now).add(1, 'day').format('YYYY-MM-DD')

const recurrences = [
  ['', 'Once'],
  ['week 1', 'Every week'],
  ['month 1', 'Every month'],
  ['quarter 1', 'Every quarter'],
  ['year 1', 'Every year'],
] as const

/** A lead picks sites, day, people and hours; what is due is picked beforehand. */
export function NewRound() {
  const now = useNow()
  const mayPlan = useMay('lead')
  const navigate = useNavigate()
  const places = api.usePlacesQuery({}).data
  const [id] = useState(() => uuid())
  const [siteIds, setSites] = useState<string[] | null>(null)
  const sites = useMemo(() => siteIds ?? (places?.sites[0] ? [places.sites[0].id] : []), [siteIds, places])
  const [day, setDay] = useState(() => dayAfter(now))
  const [name, setName] = useState('')
  const [people, setPeople] = useState<Person[]>([{ id: uuid(), name: '', from: '7:00', to: '15:00' }])
  const [recurs, setRecurs] = useState('')
  const [heat, setHeat] = useState('')
  const [storm, setStorm] = useState('')
  const [note, setNote] = useState('')
  const [days, setDays] = useState(1)
  const [own, setOwn] = useState<ReadonlyMap<string, readonly string[]> | null>(null)
  const due = api.useDueMachinesQuery({ query: { sites: sites.join(',') } }, { skip: sites.length === 0 })
  const [make, attempt] = api.useMakeRoundMutation()
  const failure = attempt.error as Failure | undefined
  const until = Date.parse(`${day}T23:59:59Z`)
  const list = useMemo(() => due.currentData ?? [], [due.currentData])
  // Due by that day is picked, until a hand picks otherwise.
  const taken = useMemo(() => {
    if (own) return own
    const byDue = new Map<string, readonly string[]>()
    for (const m of list) {
      const tasks = m.tasks.filter((t) => Date.parse(t.dueAt) <= until).map((t) => t.task)
      if (tasks.length > 0) byDue.set(m.machineId, tasks)
    }
    return byDue
  }, [own, list, until])
  const visits = [...taken].filter(([, tasks]) => tasks.length > 0)
  const minutes = list.reduce(
    (n, m) => n + m.tasks.filter((t) => taken.get(m.machineId)?.includes(t.task)).reduce((k, t) => k + t.minutes, 0),
    0,
  )
  if (!mayPlan) return <p className="page">Only a lead can plan rounds.</p>
  const areaName = (places?.sites ?? [])
    .filter((s) => sites.includes(s.id))
    .map((s) => s.name)
    .join(', ')
  const hot = spanOf(heat)
  const wrongHeat = heat.trim() !== '' && hot === null
  const wrongStorm = storm.trim() !== '' && minuteOf(storm) === null
  const wrongHours = people.some((p) => minuteOf(p.from) === null || minuteOf(p.to) === null)
  const wrong = wrongHeat || wrongStorm || wrongHours
  const send = () => {
    const [every, times] = recurs.split(' ')
    void make({
      body: {
        id,
        name: name.trim() === '' ? areaName : name,
        day,
        siteIds: sites,
        visits: visits.map(([machineId, tasks]) => ({ machineId, tasks: [...tasks] })),
        people: people.map((p) => ({ id: p.id, name: p.name, from: minuteOf(p.from) ?? 0, to: minuteOf(p.to) ?? 0 })),
        heat: hot,
        storm: minuteOf(storm),
        recurs: every ? { every: every as 'week', times: Number(times) } : null,
        note,
        days,
      },
    })
      .unwrap()
      .then(
        (page) => navigate(`/rounds/${page.head.id}`),
        () => undefined,
      )
  }
  return (
    <div className="page stack">
      <h1>Plan a round</h1>
      <Columns of={['420px', 1]}>
        <section className="sheet stack">
          <h2>Sites, date and crew</h2>
          <FormField label="Sites" error={fieldMessage(failure, 'siteIds')}>
            <Select
              aria-label="Sites"
              mode="multiple"
              value={sites}
              options={(places?.sites ?? []).map((s) => ({ value: s.id, label: s.name }))}
              onChange={(v: string[]) => {
                setSites(v)
                setOwn(null)
              }}
            />
          </FormField>
          <div className="row">
            <FormField label="Day" error={fieldMessage(failure, 'day')}>
              <DayInput label="Day" value={day} onChange={setDay} />
            </FormField>
            <FormField label="Days">
              <Select
                aria-label="Days"
                value={days}
                options={[1, 2, 3, 4, 5].map((n) => ({ value: n, label: n === 1 ? 'one' : `up to ${n}` }))}
                onChange={setDays}
              />
            </FormField>
            <FormField label="Again">
              <Select
                aria-label="Again"
                value={recurs}
                options={recurrences.map(([value, label]) => ({ value, label }))}
                onChange={setRecurs}
              />
            </FormField>
          </div>
          <FormField label="Name" error={fieldMessage(failure, 'name')}>
            <Input
              aria-label="Name"
              placeholder={areaName}
              value={name}
              maxLength={80}
              onChange={(e) => setName(e.target.value)}
            />
          </FormField>
          <People list={people} set={setPeople} failure={failure} />
          <div className="row">
            <FormField
              label="Hot hours outdoors"
              error={wrongHeat ? 'two times, earlier first, such as 12:00–15:30' : undefined}
            >
              <Input
                aria-label="Hot hours outdoors"
                placeholder="none"
                value={heat}
                onChange={(e) => setHeat(e.target.value)}
              />
            </FormField>
            <FormField label="Storm at" error={wrongStorm ? 'a time such as 14:00' : undefined}>
              <Input
                aria-label="Storm at"
                placeholder="none"
                value={storm}
                onChange={(e) => setStorm(e.target.value)}
              />
            </FormField>
          </div>
          <FormField label="Notes for the crew">
            <Input.TextArea
              aria-label="Notes for the crew"
              value={note}
              rows={2}
              maxLength={1000}
              onChange={(e) => setNote(e.target.value)}
            />
          </FormField>
          <FailureNote failure={failure} kept="Not saved; your selection is kept here." />
          <Button
            type="primary"
            size="large"
            loading={attempt.isLoading}
            disabled={visits.length === 0 || wrong}
            onClick={send}
          >
            Plan {visits.length} {visits.length === 1 ? 'visit' : 'visits'}, about{' '}
            {clockOf(Math.min(1440, minutes)).replace(/^0/, '')} h of work
          </Button>
          {wrong ? <p role="status">Correct the marked time to plan the round.</p> : null}
        </section>
        <section className="sheet">
          <header>
            <h2>Due by {shortDay(`${day}T12:00:00Z`, now)}</h2>
            <span className="quiet">
              {visits.length} of {list.length} machines selected
            </span>
          </header>
          <FailureNote failure={due.error as Failure | undefined} kept="Due work cannot be loaded." />
          {due.isFetching && list.length === 0 ? <Loading /> : null}
          <DueList
            list={[...list].sort(
              (a, b) =>
                Number((taken.get(b.machineId)?.length ?? 0) > 0) - Number((taken.get(a.machineId)?.length ?? 0) > 0),
            )}
            until={until}
            taken={taken}
            toggle={(machineId, tasks) => setOwn(new Map([...taken, [machineId, tasks]]))}
          />
        </section>
      </Columns>
    </div>
  )
}

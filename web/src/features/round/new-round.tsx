import type { DueMachine } from '@motor-round/contract'
import dayjs from 'dayjs'
import { AutoComplete, Button, Checkbox, Input, Select } from 'antd'
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
import { LevelMark } from '../../parts/level-mark/index.ts'
import { tagOf } from './words.ts'
import { Columns } from '../../parts/columns/index.ts'
import './round.css'

interface Person {
  readonly id: string
  readonly name: string
  readonly from: string
  readonly to: string
}

const dayAfter = (now: number) => dayjs(now).add(1, 'day').format('YYYY-MM-DD')

/** Machines with what is due by a day: each task with its reason, to be taken or left. */
function DueList({
  list,
  until,
  taken,
  toggle,
}: {
  list: readonly DueMachine[]
  until: number
  taken: ReadonlyMap<string, readonly string[]>
  toggle: (machineId: string, tasks: readonly string[]) => void
}) {
  return (
    <ul className="rows due-list">
      {list.map((m) => {
        const due = m.tasks.filter((t) => Date.parse(t.dueAt) <= until)
        const own = taken.get(m.machineId) ?? []
        return (
          <li key={m.machineId}>
            <Checkbox
              checked={own.length > 0}
              onChange={(e) =>
                toggle(
                  m.machineId,
                  e.target.checked ? (due.length > 0 ? due : m.tasks.slice(0, 1)).map((t) => t.task) : [],
                )
              }
            >
              <b>{tagOf(m)}</b> <LevelMark level={m.level ?? 'not judged'} />
              <span className="quiet"> {m.areaName}</span>
            </Checkbox>
            {own.length > 0 || due.length > 0 ? (
              <ul>
                {m.tasks
                  .filter((t) => due.includes(t) || own.includes(t.task))
                  .map((t) => (
                    <li key={t.task}>
                      <Checkbox
                        checked={own.includes(t.task)}
                        onChange={(e) =>
                          toggle(m.machineId, e.target.checked ? [...own, t.task] : own.filter((x) => x !== t.task))
                        }
                      >
                        {t.title}, {t.minutes} min{t.locksOut ? ', locked out' : ''}
                      </Checkbox>
                      <span className="quiet due-why">{t.why}</span>
                    </li>
                  ))}
              </ul>
            ) : (
              <p className="quiet due-later">
                None before {shortDay(m.tasks[0]?.dueAt ?? '', until)}: {m.tasks[0]?.title}
              </p>
            )}
          </li>
        )
      })}
    </ul>
  )
}

function People({
  list,
  set,
  failure,
}: {
  list: readonly Person[]
  set: (l: Person[]) => void
  failure: Failure | undefined
}) {
  const names = (api.usePeopleQuery({}).data ?? []).filter((p) => p.disabledAt === null)
  const change = (i: number, part: Partial<Person>) => set(list.map((p, k) => (k === i ? { ...p, ...part } : p)))
  return (
    <div className="stack">
      {list.map((p, i) => (
        <div key={p.id} className="row">
          <FormField label={`Person ${i + 1}`} error={fieldMessage(failure, `people.${i}.name`)}>
            <AutoComplete
              aria-label={`Person ${i + 1}`}
              style={{ width: 170 }}
              value={p.name}
              options={names.map((n) => ({ value: n.name }))}
              onChange={(name: string) => change(i, { name, id: names.find((n) => n.name === name)?.id ?? p.id })}
            />
          </FormField>
          <FormField label="From" error={minuteOf(p.from) === null ? 'a time such as 7:00' : undefined}>
            <Input
              aria-label={`Person ${i + 1}, from`}
              style={{ width: 84 }}
              value={p.from}
              onChange={(e) => change(i, { from: e.target.value })}
            />
          </FormField>
          <FormField
            label="To"
            error={minuteOf(p.to) === null ? 'a time such as 15:30' : fieldMessage(failure, `people.${i}.to`)}
          >
            <Input
              aria-label={`Person ${i + 1}, to`}
              style={{ width: 84 }}
              value={p.to}
              onChange={(e) => change(i, { to: e.target.value })}
            />
          </FormField>
          {list.length > 1 ? <Button onClick={() => set(list.filter((_, k) => k !== i))}>Remove</Button> : null}
        </div>
      ))}
      {list.length < 6 ? (
        <Button onClick={() => set([...list, { id: uuid(), name: '', from: '7:00', to: '15:00' }])}>Add person</Button>
      ) : null}
    </div>
  )
}

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
          {due.isFetching && list.length === 0 ? <p>Loading …</p> : null}
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

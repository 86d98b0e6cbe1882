import type { Portfolio } from '@motor-round/contract'
import { figureWords, show } from '@motor-round/core/quantity'
import { Link } from 'react-router'
import { shortDay } from '../../app/dates.ts'
import { useUnits } from '../../app/use-units.ts'
import { byNumber, byText, DataTable } from '../../parts/data-table/index.ts'

function Figure({ value, words }: { value: string; words: string }) {
  return (
    <div className="reports-figure">
      <b>{value}</b>
      <span className="quiet">{words}</span>
    </div>
  )
}

/** Work and money of the quarter, in a row of figures. */
export function WorkFigures({ p }: { p: Portfolio }) {
  const { jobs, causes, energy } = p
  const told = causes.right + causes.wrong
  return (
    <div className="reports-figures">
      <Figure
        value={`${jobs.closed}`}
        words={`${jobs.closed === 1 ? 'job' : 'jobs'} closed, ${jobs.proven} proven by readings`}
      />
      <Figure value={`${jobs.open}`} words={jobs.open === 1 ? 'job open' : 'jobs open'} />
      <Figure
        value={jobs.compared === 0 ? '—' : show.dollars(jobs.cost)}
        words={
          jobs.compared === 0
            ? 'cost against quote: no closed job has both'
            : `cost of ${show.count(jobs.compared, 'job')}, quoted ${show.dollars(jobs.quoted)}`
        }
      />
      <Figure value={show.dollars(jobs.approved)} words="approved and not done yet" />
      <Figure value={`${show.trimmed(jobs.hours, 1)} h`} words="of work on closed jobs" />
      <Figure
        value={told === 0 ? '—' : show.percent(causes.right / told)}
        words={
          told === 0 ? 'expected cause right: not entered yet' : `expected cause right, of ${show.count(told, 'job')}`
        }
      />
      <Figure value={`${p.overdue}`} words="visits overdue" />
      <Figure
        value={`${energy.kilowatts.toFixed(0)} kW`}
        words={`taken by ${show.count(energy.machines, 'fan')} at their last readings; ${energy.without} not known`}
      />
    </div>
  )
}

type Postponed = Portfolio['postponed'][number]

/** What was put off, and what waiting came to. */
export function PostponedTable({ list, now }: { list: readonly Postponed[]; now: number }) {
  const unitsOf = useUnits()
  return (
    <DataTable<Postponed>
      label="Postponed"
      stacked
      rowKey="jobId"
      dataSource={[...list]}
      locale={{ emptyText: 'Nothing is postponed.' }}
      columns={[
        {
          title: 'Job',
          key: 'job',
          rowScope: 'row',
          sorter: byText((j) => j.title),
          render: (_, j) => <Link to={`/machines/${j.machineId}/jobs/${j.jobId}`}>{j.title}</Link>,
        },
        { title: 'Machine', key: 'at', sorter: byText((j) => j.unitTag), render: (_, j) => `${j.unitTag} / ${j.tag}` },
        { title: 'Since', key: 'since', sorter: byText((j) => j.since), render: (_, j) => shortDay(j.since, now) },
        {
          title: 'What grew',
          key: 'grew',
          render: (_, j) =>
            j.grew
              ? `${j.grew.words} ${figureWords(j.grew.quantity, j.grew.then, unitsOf(j))} → ${figureWords(j.grew.quantity, j.grew.now, unitsOf(j))}`
              : '',
        },
        {
          title: 'Waiting came to',
          key: 'cost',
          align: 'right',
          sorter: byNumber((j) => j.cost),
          render: (_, j) => (j.cost === null ? 'not worked out' : show.dollars(j.cost)),
        },
      ]}
    />
  )
}

type Model = Portfolio['models'][number]

/** Motors by maker and model, worst first. */
export function ModelsTable({ list }: { list: readonly Model[] }) {
  return (
    <DataTable<Model>
      label="Motors by model"
      rowKey={(m) => `${m.maker} ${m.model}`}
      dataSource={[...list]}
      columns={[
        {
          title: 'Model',
          dataIndex: 'model',
          rowScope: 'row',
          sorter: byText((m) => m.model),
          render: (_, m) => m.model || 'Not on record',
        },
        { title: 'Maker', dataIndex: 'maker', sorter: byText((m) => m.maker) },
        { title: 'Motors', dataIndex: 'motors', align: 'right', sorter: byNumber((m) => m.motors) },
        { title: 'To fix or stop', dataIndex: 'pressing', align: 'right', sorter: byNumber((m) => m.pressing) },
        { title: 'Replaced', dataIndex: 'replaced', align: 'right', sorter: byNumber((m) => m.replaced) },
      ]}
    />
  )
}

type Life = Portfolio['lives'][number]
const slotNames: Readonly<Record<string, string>> = {
  motor: 'Motor',
  'motor-sheave': 'Motor sheave',
  'driven-sheave': 'Fan sheave',
  belts: 'Belts',
  'bearing-de': 'Bearing, drive end',
  'bearing-ode': 'Bearing, other end',
  shaft: 'Shaft',
  wheel: 'Wheel',
  filters: 'Filters',
}

/** How long parts last here. */
export function LivesTable({ list }: { list: readonly Life[] }) {
  return (
    <DataTable<Life>
      label="Lives of parts"
      rowKey="slot"
      dataSource={[...list]}
      columns={[
        { title: 'Part', key: 'slot', rowScope: 'row', render: (_, l) => slotNames[l.slot] ?? l.slot },
        { title: 'On record', dataIndex: 'n', align: 'right', sorter: byNumber((l) => l.n) },
        { title: 'Worn out', dataIndex: 'ended', align: 'right', sorter: byNumber((l) => l.ended) },
        {
          title: 'Half last longer than',
          key: 'median',
          align: 'right',
          sorter: byNumber((l) => l.medianDays),
          render: (_, l) => (l.medianDays === null ? 'not known yet' : `${(l.medianDays / 365).toFixed(1)} years`),
        },
      ]}
    />
  )
}

import type { JobLine } from '@motor-round/contract'
import { figureWords } from '@motor-round/core/quantity'
import { Segmented } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { jobsApi } from '../../app/jobs-api.ts'
import { shortDay } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { useNow } from '../../app/now.ts'
import { useUnits } from '../../app/use-units.ts'
import { byText, DataTable } from '../../parts/data-table/index.ts'
import { PageFailure } from '../../parts/fields/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { stateWords } from './words.ts'
import './job.css'

const filters = {
  open: (j: JobLine) => j.state !== 'closed',
  decide: (j: JobLine) => ['open', 'told', 'quoted'].includes(j.state) || j.back !== null,
  work: (j: JobLine) => ['approved', 'at work', 'paused'].includes(j.state),
  closed: (j: JobLine) => j.state === 'closed',
} as const
type Filter = keyof typeof filters
const filterWords: Readonly<Record<Filter, string>> = {
  open: 'Open',
  decide: 'To decide',
  work: 'To do',
  closed: 'Closed',
}

function BackNote({ back, units }: Pick<JobLine, 'back' | 'units'>) {
  const unitsOf = useUnits()
  if (!back) return null
  const { figure } = back
  const shown = unitsOf({ units })
  return (
    <div className="note tone-fix job-flag">
      Due again
      {figure
        ? `: ${figure.words.toLowerCase()} ${figureWords(figure.quantity, figure.then, shown)} → ${figureWords(figure.quantity, figure.now, shown)}`
        : ''}
    </div>
  )
}

function State({ job }: { job: JobLine }) {
  return (
    <>
      <b>{stateWords[job.state]}</b>
      {job.state === 'at work' || job.state === 'paused' ? ` · ${job.done} of ${job.steps} steps` : ''}
      {job.permit?.expired ? (
        <div className="note tone-stop job-flag">Permit to run it expired: shut it down</div>
      ) : job.permit ? (
        <div className="note tone-fix job-flag">Runs on a permit{job.permit.readDue ? ': read it today' : ''}</div>
      ) : null}
      <BackNote back={job.back} units={job.units} />
      {job.misfits.length > 0 ? <div className="note tone-stop job-flag">A new part does not fit</div> : null}
      {job.open.length > 0 ? <div className="note tone-watch job-flag">Not restored: {job.open.join(', ')}</div> : null}
    </>
  )
}

/** Jobs of every site: what is due again first, then what stands open, then the rest. */
export function JobsScreen() {
  const query = jobsApi.useJobsQuery({})
  const now = useNow()
  const [filter, setFilter] = useState<Filter>('open')
  const jobs = query.data?.jobs
  if (query.error && !jobs) return <PageFailure failure={query.error as Failure} kept="The jobs cannot be loaded." />
  if (!jobs) return <Loading page />
  const shown = jobs.filter(filters[filter])
  return (
    <div className="page stack job">
      <header>
        <h1>Jobs</h1>
        <p className="quiet">Closed ones stay here for 30 days, then on the page of their machine.</p>
      </header>
      <Segmented<Filter>
        className="job-filter"
        size="large"
        value={filter}
        onChange={setFilter}
        options={(Object.keys(filters) as Filter[]).map((value) => ({
          value,
          label: `${filterWords[value]} ${jobs.filter(filters[value]).length}`,
        }))}
      />
      <section className="sheet" aria-label="All jobs">
        <DataTable<JobLine>
          label="All jobs"
          stacked
          rowKey="id"
          dataSource={shown}
          locale={{ emptyText: 'No job here. Jobs are made from a finding or on the page of a machine.' }}
          columns={[
            {
              title: 'Job',
              key: 'job',
              rowScope: 'row',
              sorter: byText((j) => j.title),
              render: (_, j) => (
                <Link className="job-title" to={`/machines/${j.machineId}/jobs/${j.id}`}>
                  {j.title}
                </Link>
              ),
            },
            {
              title: 'Machine',
              key: 'machine',
              sorter: byText((j) => `${j.unitTag} ${j.tag}`),
              render: (_, j) => `${j.unitTag} / ${j.tag}, ${j.siteName}`,
            },
            {
              title: 'State',
              key: 'state',
              sorter: byText((j) => stateWords[j.state]),
              render: (_, j) => <State job={j} />,
            },
            {
              title: 'Made',
              key: 'at',
              sorter: byText((j) => j.at),
              render: (_, j) => shortDay(j.at, now),
            },
          ]}
        />
      </section>
    </div>
  )
}

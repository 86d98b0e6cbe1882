import { schedule, type JobStands } from '@motor-round/core/job'
import { show } from '@motor-round/core/quantity'
import { usePace } from './use-pace.ts'
import { durationWords } from './words.ts'

/** Who does what when: a bar for each step, one color for each person, the waits between them empty. */
export function PlanChart({ stands, crew }: { stands: JobStands; crew: number }) {
  const { pace, jobs } = usePace()
  const learned = stands.steps.filter((s) => pace.has(s.id)).length
  const planned = schedule(stands.steps, crew)
  const titles = new Map(stands.steps.map((s) => [s.id, s.title]))
  const rows = [...planned.steps].filter((s) => s.end > s.start).sort((a, b) => a.start - b.start || a.end - b.end)
  const height = rows.length * 16 + 24
  const x = (minute: number) => (100 * minute) / Math.max(1, planned.minutes)
  const hours = Array.from({ length: Math.floor(planned.minutes / 60) + 1 }, (_, h) => h)
  return (
    <section className="sheet" aria-label="Plan">
      <header>
        <h2>Plan</h2>
        <span className="quiet">
          {durationWords(planned.minutes)} with {crew === 1 ? 'one person' : `${crew} people`}
        </span>
      </header>
      <svg
        className="job-plan"
        height={height}
        role="img"
        aria-label={`${rows.length} steps in ${durationWords(planned.minutes)}`}
      >
        {hours.map((h) => (
          <g key={h}>
            <line x1={`${x(h * 60)}%`} x2={`${x(h * 60)}%`} y1={0} y2={height - 18} />
            <text x={`${x(h * 60)}%`} y={height - 4}>
              {h} h
            </text>
          </g>
        ))}
        {rows.map((s, i) => (
          <rect
            key={s.id}
            className={`job-bar-${s.hands.length > 1 ? 'both' : s.hands[0]}`}
            x={`${x(s.start)}%`}
            width={`${Math.max(0.6, x(s.end - s.start))}%`}
            y={i * 16}
            height={12}
          >
            <title>{`${titles.get(s.id) ?? s.id} ${durationWords(s.start)} to ${durationWords(s.end)}`}</title>
          </rect>
        ))}
      </svg>
      <p className="quiet job-key">
        <i className="job-bar-0" /> First person <i className="job-bar-1" /> Second person{' '}
        <i className="job-bar-both" /> Both
      </p>
      {learned > 0 ? (
        <p className="quiet">
          Minutes of {learned} of {stands.steps.length} steps as your people took them on {show.count(jobs, 'job')}.
        </p>
      ) : null}
    </section>
  )
}

import type { MachinePage } from '@motor-round/contract'
import { partChecks, type JobStands } from '@motor-round/core/job'
import { PartsCheck } from './parts-check.tsx'

/** New parts held against the old ones before they are ordered: the same points as in their step, which finds them filled. */
export function PartsPanel({ page, jobId, stands }: { page: MachinePage; jobId: string; stands: JobStands }) {
  const later = stands.steps.filter((s) => s.state === 'held' && s.id in partChecks)
  if (later.length === 0) return null
  return (
    <section className="sheet stack" aria-label="Before parts are ordered">
      <header>
        <h2>Before parts are ordered</h2>
      </header>
      <p className="quiet">
        What you enter here waits in its step, where the part is measured in hand before anything is cut or pulled.
      </p>
      {later.map((s) => (
        <details key={s.id}>
          <summary>{s.title}</summary>
          <PartsCheck page={page} jobId={jobId} step={s.id} say={null} />
        </details>
      ))}
    </section>
  )
}

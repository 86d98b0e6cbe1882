import type { PathNode } from '@motor-round/core/trace'

const stateWords = { good: 'good', bad: 'bad', unknown: 'not tested' } as const

/** Mark of a node: a ring while nothing is known, a tick where it is good, a cross where it is bad. Never by color alone. */
function Mark({ state }: { state: PathNode['state'] }) {
  return (
    <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true">
      {state === 'unknown' ? (
        <circle cx="11" cy="11" r="8" fill="none" stroke="currentColor" strokeWidth="2" strokeDasharray="3.2 3" />
      ) : (
        <rect x="2" y="2" width="18" height="18" fill="none" stroke="currentColor" strokeWidth="2.4" />
      )}
      {state === 'good' ? (
        <path d="M6 11.5 L10 15 L16.5 7" fill="none" stroke="currentColor" strokeWidth="2.4" />
      ) : null}
      {state === 'bad' ? <path d="M6 6 L16 16 M16 6 L6 16" stroke="currentColor" strokeWidth="2.4" /> : null}
    </svg>
  )
}

/** A line of places from the supply on, each good, bad or not tested, with the result that says so. */
export function PathDrawing({ title, nodes }: { title: string; nodes: readonly PathNode[] }) {
  return (
    <section className="sheet" aria-label={title}>
      <header>
        <h2>{title}</h2>
      </header>
      <ol className="trace-path">
        {nodes.map((n) => (
          <li key={n.id} className={`trace-node trace-${n.state}`}>
            <Mark state={n.state} />
            <span>
              <b>{n.words}</b> <small>{n.because === '' ? stateWords[n.state] : n.because}</small>
            </span>
          </li>
        ))}
      </ol>
    </section>
  )
}

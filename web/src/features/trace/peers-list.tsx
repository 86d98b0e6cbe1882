import type { MachinePage } from '@motor-round/contract'
import { causeOf } from '@motor-round/core/trace'
import { Link } from 'react-router'
import { shortDay } from '../../app/dates.ts'

/** What traces of machines like this one came to, by cause, the commonest first. */
export function PeersList({ page, now }: { page: MachinePage; now: number }) {
  const found = page.peerTraces.filter((t) => t.confidence !== 'open')
  if (found.length === 0) return null
  const byCause = [...new Set(found.map((t) => t.cause))]
    .map((cause) => [cause, found.filter((t) => t.cause === cause)] as const)
    .sort((a, b) => b[1].length - a[1].length)
  return (
    <section className="sheet" aria-label="Machines like it">
      <header>
        <h2>Machines like it</h2>
        <span className="quiet">{page.unit.modelLine === '' ? `${page.unit.kind} units` : page.unit.modelLine}</span>
      </header>
      <ul className="rows">
        {byCause.map(([cause, all]) => (
          <li key={cause}>
            <b>
              {all.length} of {found.length}: {causeOf.get(cause)?.name ?? 'Something not listed'}
            </b>
            <p className="quiet">
              {all.map((t, i) => (
                <span key={`${t.machineId} ${t.at}`}>
                  {i === 0 ? '' : ', '}
                  <Link to={`/machines/${t.machineId}`}>{`${t.unitTag} / ${t.tag}`}</Link> {shortDay(t.at, now)},{' '}
                  {t.confidence}
                </span>
              ))}
            </p>
          </li>
        ))}
      </ul>
    </section>
  )
}

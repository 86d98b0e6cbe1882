import { workOf, type MachinePage } from '@motor-round/contract'
import { visitsAround, wholeAmps, type PastChange } from '@motor-round/core/speed-change'
import { show } from '@motor-round/core/quantity'
import { movesAmps, type Visit } from '@motor-round/core/trend'
import { Timeline } from 'antd'
import { shortDay } from '../../app/dates.ts'
import { workWords } from '../speed-change/index.ts'

/** Mean amps before and after a work, as far as both were read with nothing else between. */
function around(visits: readonly Visit[], work: ReturnType<typeof workOf>, at: number, phases: 1 | 3): string {
  const { before, after } = visitsAround(visits, work, at, phases)
  const amps = (s: Visit | null) => {
    const mean = s && wholeAmps(s, phases)
    return mean === null ? null : show.amps(mean)
  }
  const [was, is] = [amps(before), amps(after)]
  return was !== null && is !== null ? `${was} → ${is} A` : was !== null ? `${was} A before, not read since` : ''
}

/** The work of a machine and what it did to the amps, latest first; what was installed is among it. */
export function WorkPanel({
  page,
  visits,
  changes,
  now,
}: {
  page: MachinePage
  visits: readonly Visit[]
  changes: readonly PastChange[]
  now: number
}) {
  const all = workOf({
    work: page.work,
    parts: page.parts,
    motors: [...(page.motor ? [page.motor] : []), ...page.pastMotors],
  }).sort((a, b) => b.at - a.at)
  const by = new Map(page.work.map((w) => [Date.parse(w.doneAt), w.by]))
  return (
    <section className="sheet">
      <header>
        <h2>Work</h2>
        <span className="quiet">mean amps before and after</span>
      </header>
      {all.length === 0 ? <p className="quiet">No work recorded.</p> : null}
      <Timeline
        items={all.map((w) => {
          const change = changes.find((c) => c.work.at === w.at)
          const told = movesAmps(w.kind) ? around(visits, all, w.at, page.machine.phases) : ''
          return {
            key: `${w.at} ${w.kind}`,
            content: (
              <span className="work-entry">
                {shortDay(new Date(w.at).toISOString(), now)} · {workWords(w)}
                {w.note ? `: ${w.note}` : ''}
                {told === '' ? '' : <b> {told}</b>}
                {change ? ` (predicted: ${show.amps(change.predicted)} A)` : ''}{' '}
                <span className="quiet">{by.get(w.at) ?? ''}</span>
              </span>
            ),
          }
        })}
      />
    </section>
  )
}

import type { RoundPage } from '@motor-round/contract'
import { useEffect, useState } from 'react'
import { capital } from '../../app/capital.ts'
import { clockText } from '../../app/clock-text.ts'
import { waitBegan } from '../../app/stop-drafts.ts'
import { pausesRunning } from './pauses-running.ts'
import { tagOf } from './words.ts'

/** Machines that are left alone for a while, each with the time it still wants: one walks on and comes back to them. */
export function WalkPauses({
  page,
  order,
  pick,
}: {
  page: RoundPage
  order: readonly string[]
  pick: (visit: string) => void
}) {
  const [now, setNow] = useState(() => Date.now())
  const running = pausesRunning(page, order, waitBegan)
  const some = running.length > 0
  useEffect(() => {
    if (!some) return undefined
    const id = setInterval(() => setNow(Date.now()), 1000)
    return () => clearInterval(id)
  }, [some])
  if (!some) return null
  return (
    <ul className="sheet walk-pauses" aria-label="Left alone for a while">
      {running.map((r) => {
        const left = r.until === null ? null : Math.max(0, Math.ceil((r.until - now) / 1000))
        return (
          <li key={r.visit} className={left === 0 ? 'pause-over' : ''}>
            <button type="button" onClick={() => pick(r.visit)}>
              <b>{tagOf(r.stop)}</b>
              {left === null ? null : (
                <span role="timer" aria-label={`${tagOf(r.stop)}, time left`}>
                  {left === 0 ? 'now' : clockText(left)}
                </span>
              )}
              <small>
                {left === null
                  ? 'Locked out? Start the clock in its stop.'
                  : left === 0
                    ? `${capital(r.then)}.`
                    : `${capital(r.because)}.`}
              </small>
            </button>
          </li>
        )
      })}
    </ul>
  )
}

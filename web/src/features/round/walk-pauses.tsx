import type { RoundPage } from '@motor-round/contract'
import { useEffect, useState } from 'react'
import { capital } from '../../app/capital.ts'
import { clockText } from '../../app/clock-text.ts'
import { useClock } from '../../app/now.ts'
import { waitBegan } from '../../app/visit-drafts.ts'
import { pausesRunning } from './pauses-running.ts'
import { tagOf } from './words.ts'

/** Home's time, and how far it is ahead of this device's. */
const timeBy = (clock: () => number) => ({ now: clock(), ahead: clock() - Date.now() })

/** Machines that are left alone for a while, each with the time it still wants: one walks on and comes back to them. */
export function WalkPauses({
  page,
  order,
  pick,
}: {
  page: RoundPage
  order: readonly string[]
  pick: (step: string) => void
}) {
  // What happened on a round carries the server's time, the clock of a visit runs by this device's: all is shown by the server's.
  const clock = useClock()
  const [{ now, ahead }, setTime] = useState(() => timeBy(clock))
  const running = pausesRunning(page, order, (machineId) => {
    const began = waitBegan(machineId)
    return began === null ? null : began + ahead
  })
  const some = running.length > 0
  useEffect(() => {
    if (!some) return undefined
    const id = setInterval(() => setTime(timeBy(clock)), 1000)
    return () => clearInterval(id)
  }, [some, clock])
  if (!some) return null
  return (
    <ul className="sheet rows walk-pauses" aria-label="Waiting">
      {running.map((r) => {
        const left = r.until === null ? null : Math.max(0, Math.ceil((r.until - now) / 1000))
        return (
          <li key={r.step} className={left === 0 ? 'tone-act' : ''}>
            <button type="button" onClick={() => pick(r.step)}>
              <b>{tagOf(r.visit)}</b>
              {left === null ? null : (
                <span role="timer" aria-label={`${tagOf(r.visit)}, time left`}>
                  {left === 0 ? 'now' : clockText(left)}
                </span>
              )}
              <small>
                {left === null
                  ? 'Locked out? Start the timer in its visit.'
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

import type { Wait } from '@motor-round/core/judge'
import { Button } from 'antd'
import { useEffect, useState } from 'react'
import { clockText } from '../../app/clock-text.ts'
import './wait-clock.css'

/** Time that has to pass, counted down by the clock of the device: a screen that went dark has lost nothing. */
export function WaitClock({
  wait,
  startedAt,
  start,
  stop,
}: {
  wait: Wait
  /** Milliseconds since 1970; null while it does not run. */
  startedAt: number | null
  start: () => void
  stop: () => void
}) {
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    if (startedAt === null) return undefined
    const id = setInterval(() => setNow(Date.now()), 500)
    return () => clearInterval(id)
  }, [startedAt])
  if (startedAt === null)
    return (
      <div className="row">
        <Button onClick={start}>
          {wait.words}: wait {Math.round(wait.seconds / 60)} min
        </Button>
      </div>
    )
  const left = Math.max(0, wait.seconds - Math.max(0, (now - startedAt) / 1000))
  return (
    <div className="row" role="group" aria-label={wait.words}>
      <b className="clock" role="timer" aria-label={`${wait.words}, time left`}>
        {clockText(Math.ceil(left))}
      </b>
      <p>{left > 0 ? `${wait.words}. The timer keeps running.` : wait.then}</p>
      <Button type="link" onClick={stop}>
        Off
      </Button>
    </div>
  )
}

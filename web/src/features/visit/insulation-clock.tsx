import type { VisitRecord } from '@motor-round/contract'
import { dischargeSeconds } from '@motor-round/core/electrical'
import { insulationAdvice } from '@motor-round/core/judge'
import { insulationTimes, show } from '@motor-round/core/quantity'
import { Button } from 'antd'
import { useEffect, useRef, useState } from 'react'
import { InsulationCurve, type CurvePoint } from '../../parts/insulation-curve/index.ts'
import { clockText } from '../../app/clock-text.ts'
import { isOpen, keyOf, type Typed } from './cells.ts'

/** The points of a typed test; `OL` is no figure and makes none. */
export const pointsOf = (typed: Typed): CurvePoint[] =>
  insulationTimes.flatMap(([name, seconds]) => {
    const text = typed[keyOf('megohms_at', name)] ?? ''
    const value = Number(text)
    return text === '' || isOpen(text) || !(value > 0) ? [] : [{ seconds, megohms: value }]
  })

function lastCurve(visits: readonly VisitRecord[]): { points: CurvePoint[]; takenAt: string } | null {
  for (const s of visits) {
    if (s.supersededBy !== null) continue
    const points = insulationTimes.flatMap(([name, seconds]) => {
      const r = s.readings.find((x) => x.quantity === 'megohms_at' && x.position === name)
      return r && r.how !== 'over-range' && r.value > 0 ? [{ seconds, megohms: r.value }] : []
    })
    if (points.length >= 2) return { points, takenAt: s.takenAt }
  }
  return null
}

/**
 * A timed insulation test: the clock, which point is next, and the curve as it grows. It runs by the clock of the device,
 * so that a screen that went dark has lost nothing.
 */
export function InsulationClock({
  typed,
  startedAt,
  volts,
  visits,
  start,
  stop,
  due,
}: {
  typed: Typed
  /** Milliseconds since 1970; null while no test runs. */
  startedAt: number | null
  /** Rated line volts of the motor. */
  volts: number
  visits: readonly VisitRecord[]
  start: () => void
  stop: () => void
  /** A point has come: put the cursor in its cell. */
  due: (index: number) => void
}) {
  const [now, setNow] = useState(() => Date.now())
  const told = useRef(-1)
  useEffect(() => {
    if (startedAt === null) return undefined
    const tick = setInterval(() => setNow(Date.now()), 200)
    return () => clearInterval(tick)
  }, [startedAt])
  const elapsed = startedAt === null ? 0 : Math.max(0, (now - startedAt) / 1000)
  const passed = insulationTimes.filter(([, s]) => s <= elapsed).length
  useEffect(() => {
    if (startedAt === null) {
      told.current = -1
      return
    }
    if (passed - 1 > told.current) {
      told.current = passed - 1
      due(passed - 1)
    }
  }, [passed, startedAt, due])
  const next = insulationTimes[passed]
  const advice = insulationAdvice(volts)
  const last = lastCurve(visits)
  return (
    <div className="stack insulation-clock">
      {startedAt === null ? (
        <>
          <p className="quiet">
            {advice.volts[0] === advice.volts[1] ? advice.volts[0] : `${advice.volts[0]} to ${advice.volts[1]}`} V
            direct on a {show.volts(volts)} V motor. {advice.before.join('. ')}.
          </p>
          <Button size="large" type="primary" onClick={start}>
            Test voltage is on: start the timer
          </Button>
        </>
      ) : (
        <div className="between">
          <b className="clock" role="timer" aria-label="Time since test voltage was applied">
            {clockText(elapsed)}
          </b>
          <p>
            {next
              ? `Next point at ${next[0].replace(/(\d)([a-z])/, '$1 $2')}`
              : `Ten minutes done. Discharge for ${Math.ceil(dischargeSeconds(elapsed) / 60)} minutes.`}
          </p>
          <Button onClick={stop}>Test voltage off</Button>
        </div>
      )}
      <InsulationCurve points={pointsOf(typed)} past={last?.points ?? []} />
    </div>
  )
}

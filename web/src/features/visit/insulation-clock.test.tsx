import { renderToStaticMarkup } from 'react-dom/server'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { InsulationClock, pointsOf } from './insulation-clock.tsx'

const nothing = () => undefined
const clock = (startedAt: number | null, volts = 460) =>
  renderToStaticMarkup(
    <InsulationClock
      typed={{}}
      startedAt={startedAt}
      volts={volts}
      visits={[]}
      start={nothing}
      stop={nothing}
      due={nothing}
    />,
  )

afterEach(() => void vi.useRealTimers())

describe('the clock of a timed insulation test', () => {
  it('advises the voltage of the motor and what must be off first, before it is started', () => {
    expect(clock(null)).toContain('500 V direct')
    expect(clock(null)).toContain('Drive, soft starter')
    expect(clock(null, 2300)).toContain('500 to 1000 V direct')
  })
  it('shows the time since and the next point, on the device’s own clock', () => {
    // A busy machine may take a second between the two looks at the clock.
    vi.useFakeTimers()
    const t = clock(Date.now() - 47_000)
    expect(t).toContain('>0:47<')
    expect(t).toContain('Next point at 1 min')
    // Four times the time of the test (IEEE 43).
    expect(clock(Date.now() - 600_000)).toMatch(/Discharge for 40 minutes/)
  })
  it('takes what is typed: figures, no OL, nothing empty, nothing at zero', () =>
    expect(
      pointsOf({ 'megohms_at 15s': '180', 'megohms_at 30s': 'OL', 'megohms_at 1min': '', 'megohms_at 10min': '0' }),
    ).toEqual([{ seconds: 15, megohms: 180 }]))
})

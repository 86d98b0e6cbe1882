import { Button, InputNumber } from 'antd'
import { useState } from 'react'
import { useKeptDraft } from '../../app/kept-draft.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { WaitClock } from '../../parts/wait-clock/index.ts'

interface Delay {
  /** By this device's clock, ms since 1970; null while it is not counted. */
  readonly startedAt: number | null
  readonly minutes: number
}

/** Anti-cycle timers count three to five minutes. @source common practice */
const usual: Delay = { startedAt: null, minutes: 5 }
const longest = 120

function read(kept: unknown): Delay | null {
  const { startedAt, minutes } = kept as Partial<Delay>
  return typeof minutes === 'number' && minutes > 0 && minutes <= longest
    ? { minutes, startedAt: typeof startedAt === 'number' ? startedAt : null }
    : null
}

/** What a timer still has to count, counted down: what waits on purpose is waited for before anything is opened. */
export function DelayClock({ traceId }: { traceId: string }) {
  const { draft, change } = useKeptDraft<Delay>(`motor-round-delay ${traceId}`, read, () => usual)
  const [typed, setTyped] = useState<number | null>(draft.minutes)
  if (draft.startedAt === null)
    return (
      <div className="row">
        <FormField label="Minutes left on the timer">
          <InputNumber min={1} max={longest} precision={0} inputMode="numeric" value={typed} onChange={setTyped} />
        </FormField>
        <Button
          size="large"
          disabled={typed === null}
          onClick={() => {
            if (typed !== null) change({ startedAt: Date.now(), minutes: typed })
          }}
        >
          {typed === null ? 'Enter the minutes' : 'Start the countdown'}
        </Button>
      </div>
    )
  return (
    <WaitClock
      wait={{
        id: 'delay',
        words: 'The timer counts',
        seconds: draft.minutes * 60,
        then: 'Over: call for the fan now and see if it starts.',
      }}
      startedAt={draft.startedAt}
      start={() => change({ startedAt: Date.now() })}
      stop={() => change({ startedAt: null })}
    />
  )
}

import type { MachinePage } from '@motor-round/contract'
import type { CheckDefinition } from '@motor-round/core/judge'
import type { Policies } from '@motor-round/core/limits'
import { factsOf } from './cells.ts'
import { InsulationClock } from './insulation-clock.tsx'
import type { Draft, useDraft } from './use-draft.ts'
import { WaitClock } from '../../parts/wait-clock/index.ts'

/** The timers of a check, above its cells: what has to be waited for, and the timed insulation test. */
export function CheckTimers({
  check,
  page,
  draft,
  policies,
  volts,
  change,
  begun,
  due,
}: {
  check: CheckDefinition
  page: MachinePage
  draft: Draft
  policies: Policies | undefined
  /** Rated line volts of the motor. */
  volts: number
  change: ReturnType<typeof useDraft>['change']
  /** A wait was started: the cursor goes back to its cell. */
  begun: () => void
  /** A point of the insulation test has come: the cursor goes to its cell. */
  due: (index: number) => void
}) {
  const waits = policies ? (check.waits?.(factsOf(page.machine), policies) ?? []) : []
  return (
    <>
      {waits.map((wait) => (
        <WaitClock
          key={wait.id}
          wait={wait}
          startedAt={draft.waits[wait.id] ?? null}
          start={() => {
            change((o) => ({ waits: { ...o.waits, [wait.id]: Date.now() } }))
            begun()
          }}
          stop={() =>
            change((o) => {
              const { [wait.id]: _done, ...rest } = o.waits
              return { waits: rest }
            })
          }
        />
      ))}
      {check.id === 'insulation-curve' ? (
        <InsulationClock
          typed={draft.typed}
          startedAt={draft.clock}
          volts={volts}
          visits={page.visits}
          start={() => change({ clock: Date.now() })}
          stop={() => change({ clock: null })}
          due={due}
        />
      ) : null}
    </>
  )
}

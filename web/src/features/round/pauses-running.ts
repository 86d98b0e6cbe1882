import { type RoundPage, type RoundVisit } from '@motor-round/contract'
import { pausesOf, stepOf, stepState } from '@motor-round/core/round'

/** A machine that is left alone for a while, and what it waits for. */
export interface PauseRunning {
  /** The visit that comes when it is over. */
  readonly step: string
  readonly visit: RoundVisit
  readonly because: string
  /** What is done when it is over. */
  readonly then: string
  /** Milliseconds since 1970; null where nobody has started its clock. */
  readonly until: number | null
}

const minute = 60_000

/**
 * The pauses that run on a walk. A lockout is counted from the clock that was started in the machine's visit: going there
 * is not yet switching off. What settles is counted from when its work was done.
 * @param began when the clock of a machine's visit was started; null: it was not
 */
export function pausesRunning(
  page: RoundPage,
  order: readonly string[],
  began: (machineId: string) => number | null,
): PauseRunning[] {
  return order.flatMap((step): PauseRunning[] => {
    const { machineId, part } = stepOf(step)
    const visit = page.visits.find((s) => s.machineId === machineId)
    if (!visit || part === 'work') return []
    const { rest, settle } = pausesOf(visit.tasks)
    const work = stepState(page.events, machineId)
    if (part === 'lock') {
      if (rest === null || work !== 'began') return []
      const from = began(machineId)
      const until = from === null ? null : from + rest.minutes * minute
      return [{ step: machineId, visit, because: rest.because, then: 'go back and prove it de-energized', until }]
    }
    const done = page.events.find((e) => e.machineId === machineId && e.kind === 'done')
    if (settle === null || !done || stepState(page.events, step) !== 'open') return []
    const until = Date.parse(done.at) + settle.minutes * minute
    return [{ step, visit, because: settle.because, then: 'take readings', until }]
  })
}

import { pausesOf, visitOf, visitState, type RoundPage, type RoundStop } from '@motor-round/contract'

/** A machine that is left alone for a while, and what it waits for. */
export interface PauseRunning {
  /** The visit that comes when it is over. */
  readonly visit: string
  readonly stop: RoundStop
  readonly because: string
  /** What is done when it is over. */
  readonly then: string
  /** Milliseconds since 1970; null where nobody has started its clock. */
  readonly until: number | null
}

const minute = 60_000

/**
 * The pauses that run on a walk. A lock-out is counted from the clock that was started in the machine's stop: going there
 * is not yet switching off. What settles is counted from when its work was done.
 * @param began when the clock of a machine's stop was started; null: it was not
 */
export function pausesRunning(
  page: RoundPage,
  order: readonly string[],
  began: (machineId: string) => number | null,
): PauseRunning[] {
  return order.flatMap((visit): PauseRunning[] => {
    const { machineId, part } = visitOf(visit)
    const stop = page.stops.find((s) => s.machineId === machineId)
    if (!stop || part === 'work') return []
    const { rest, settle } = pausesOf(stop.tasks)
    const work = visitState(page.events, machineId)
    if (part === 'lock') {
      if (rest === null || work !== 'began') return []
      const from = began(machineId)
      const until = from === null ? null : from + rest.minutes * minute
      return [{ visit: machineId, stop, because: rest.because, then: 'go back and prove it de-energized', until }]
    }
    const done = page.events.find((e) => e.machineId === machineId && e.kind === 'done')
    if (settle === null || !done || visitState(page.events, visit) !== 'open') return []
    const until = Date.parse(done.at) + settle.minutes * minute
    return [{ visit, stop, because: settle.because, then: 'take readings', until }]
  })
}

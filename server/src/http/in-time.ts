import { byClock } from '../dates.ts'
import { fieldProblem } from './problem.ts'

/** Clocks of phones are off by minutes; a day allows for a zone that somebody mistook. */
const most = 86_400_000

/**
 * Nothing has happened after now. It is said what time it is here: the clock that is wrong may be this server's.
 * @throws HttpProblem 422 at the field
 */
export function refuseFuture(path: string, at: string | Date, now: Date): void {
  if (new Date(at).getTime() > now.getTime() + most)
    throw fieldProblem(
      path,
      `is in the future: the server’s clock says ${byClock(now, 'UTC', 'MMM D, YYYY, HH:mm')} UTC. Check which clock is wrong`,
    )
}

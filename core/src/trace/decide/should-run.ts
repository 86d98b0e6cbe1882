import type { Result } from '../knowledge/cause.ts'

/** Should it run now? Decided before anything is taken for a fault. */
export interface ShouldRun {
  readonly should: 'yes' | 'no' | 'unknown'
  readonly because: string
  readonly next: string
  /** It waits on purpose, and starts by itself when a timer has counted down. */
  readonly counts?: true
}

const is = (results: readonly Result[], test: string, outcome: string) =>
  results.some(([t, o]) => t === test && o === outcome)

/** First match. @source common practice */
export function shouldRun(results: readonly Result[]): ShouldRun {
  if (is(results, 'half-split', 'safety'))
    return {
      should: 'no',
      because: 'A safety is open: smoke, freeze, float, pressure or door switch.',
      next: 'Find out why it opened. Never bridge it.',
    }
  if (is(results, 'see-call', 'no'))
    return is(results, 'see-fan', 'runs-off')
      ? {
          should: 'no',
          because: 'There is no call, and it runs.',
          next: 'Start a trace with the complaint "Runs with no call".',
        }
      : {
          should: 'no',
          because: 'There is no call: not running is normal.',
          next: 'Check whether the call is right: set point, schedule and clock.',
        }
  if (is(results, 'see-clock', 'off'))
    return {
      should: 'no',
      because: 'The schedule says off.',
      next: 'Compare the clock with the day and the time of day.',
    }
  if (is(results, 'see-timer', 'counting'))
    return {
      should: 'no',
      because: 'A delay, purge or anti-cycle timer is counting.',
      next: 'Wait until it has counted down, then call for it and wait once more.',
      counts: true,
    }
  if (is(results, 'head', 'low'))
    return {
      should: 'no',
      because: 'Head pressure is low: the fan is held off in cold weather.',
      next: 'Nothing to do while the pressure is held.',
    }
  if (is(results, 'see-call', 'yes'))
    return {
      should: 'yes',
      because: 'It is called for.',
      next: 'Work from the outside in: supply, starter, control string.',
    }
  return {
    should: 'unknown',
    because: 'Not entered: whether there is a call.',
    next: 'Check for a call, the clock and the timers first.',
  }
}

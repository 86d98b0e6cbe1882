import type { Result } from '../knowledge/cause.ts'
import { testOf } from '../model.ts'
import { tripTests } from '../needs.ts'

/** May a breaker, fuse or overload that was found open be closed? */
export interface Reclose {
  readonly may: boolean
  readonly because: string
  readonly next: string
  /** Tests that have no good result yet. */
  readonly missing: readonly string[]
}

const outcome = (results: readonly Result[], test: string) => results.filter(([t]) => t === test).at(-1)?.[1]

/**
 * Whether what was found open may be closed; null where nothing was.
 * @param trips how often it opened again after it was closed on good tests
 * @source common practice; OSHA 1910.334(b)(2): after a protective device opened, the circuit is not re-energized until it is known to be safe
 */
export function reclose(results: readonly Result[], trips: number): Reclose | null {
  const found = outcome(results, 'breaker')
  if (found === undefined || found === 'closed') return null
  if (trips > 0)
    return {
      may: false,
      because: 'It opened again after it was closed on good tests.',
      next: 'Leave it open and call a licensed electrician.',
      missing: [],
    }
  const who = outcome(results, 'ask-open')
  if (found === 'open' && who === undefined)
    return {
      may: false,
      because: 'Found open, and nobody said who opened it.',
      next: 'Look for a lock or tag and find its owner. Ask who opened it and why.',
      missing: ['ask-open'],
    }
  if (found === 'open' && who === 'hand')
    return {
      may: true,
      because: 'A person opened it by hand.',
      next: 'Close it only when that person agrees and reports no fault. Guards on, call inhibited, stand aside.',
      missing: [],
    }
  const bad = tripTests.filter(([test, good]) => {
    const read = outcome(results, test)
    return read !== undefined && read !== good
  })
  const missing = tripTests.filter(([test]) => outcome(results, test) === undefined).map(([test]) => test)
  const [first] = bad
  if (first)
    return {
      may: false,
      because: `${testOf.get(first[0])?.title ?? first[0]}: not good.`,
      next: 'Leave it open. Take the failed load off, cap and tag its leads, and test what is left.',
      missing,
    }
  if (missing.length > 0)
    return {
      may: false,
      because: `It opened for a reason. Not tested yet: ${missing.map((t) => (testOf.get(t)?.title ?? t).toLowerCase()).join(', ')}.`,
      next: 'Test every load on it before it is closed.',
      missing,
    }
  return {
    may: true,
    because: 'Every load on it tested good.',
    next:
      found === 'fuse'
        ? 'Replace all fuses with the same class and size. Call inhibited, guards on, stand aside, one attempt, line side before load.'
        : 'Call inhibited, guards on, stand aside, one attempt. Write down who, when and the count.',
    missing: [],
  }
}

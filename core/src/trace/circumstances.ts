import type { WorkDone, WorkKindId } from '../trend/index.ts'
import type { Raiser } from './knowledge/cause.ts'
import type { Circumstances } from './prior.ts'

const dayMs = 86_400_000
const month = 30 * dayMs
/** A motor this old fails of age. @source common practice */
const old = 10 * 365.25 * dayMs

/** Work that makes some causes likelier for a month. */
const raises: Partial<Readonly<Record<WorkKindId, Raiser>>> = {
  'motor-replaced': 'motor work',
  'capacitor-renewed': 'motor work',
  'leads-swapped': 'motor work',
  'belts-renewed': 'belt work',
  'belts-tensioned': 'belt work',
  'sheave-turned': 'belt work',
  'sheave-changed': 'belt work',
  'wiring-repaired': 'board work',
  'fuses-replaced': 'board work',
  'contactor-renewed': 'board work',
  'overload-set': 'controls work',
  'controls-repaired': 'controls work',
  'controls-restored': 'controls work',
  'drive-repaired': 'controls work',
  'wheel-cleaned': 'controls work',
}

/** What is known of a machine when its trace begins. */
export interface Knows {
  /** ms since 1970 */
  readonly at: number
  readonly motorInstalledAt: number | null
  readonly work: readonly WorkDone[]
  /** Checks that have something open there. */
  readonly open: readonly string[]
  /** Causes that traces of machines like it came to. */
  readonly peers: readonly string[]
}

/** What makes some causes likelier at a machine. The seasons are those of the northern half. */
export function circumstancesOf({ at, motorInstalledAt, work, open, peers }: Knows): Circumstances {
  const recent = work
    .filter((w) => w.at <= at && at - w.at <= month)
    .flatMap((w): Circumstances['raisers'] => {
      const raiser = raises[w.kind]
      return raiser ? [{ raiser, recent: true }] : []
    })
  const inMonth = new Date(at).getUTCMonth()
  const always: readonly (readonly [Raiser, boolean])[] = [
    ['old', motorInstalledAt !== null && at - motorInstalledAt > old],
    ['heat', inMonth >= 5 && inMonth <= 7],
    ['cold', inMonth === 11 || inMonth <= 1],
    ['vibration', open.includes('vibration')],
    ['dirt', open.includes('filters') || open.includes('filter-drop')],
  ]
  return {
    raisers: [...recent, ...always.filter(([, is]) => is).map(([raiser]) => ({ raiser, recent: false }))],
    peers: [...peers],
  }
}

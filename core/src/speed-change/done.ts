import { turnsAt, type InstalledPart, type PartIn } from '../installed/index.ts'
import type { Visit, WorkDone } from '../trend/index.ts'
import { visitsAround, wholeAmps } from './past-changes.ts'
import type { SpeedChange } from './today.ts'

/** A speed change that was done, as what it is: turns or hertz are work, sheaves and belts are parts installed. */
export interface SpeedChangeDone {
  readonly work:
    | { readonly kind: 'speed-set' }
    | { readonly kind: 'sheave-turned'; readonly turns: NonNullable<WorkDone['turns']> }
    | null
  readonly sheave: Installing<'motor-sheave' | 'driven-sheave'> | null
  readonly belts: Installing<'belts'> | null
  /** Where the motor stands now: a belt that is taut again says so, mm. */
  readonly center: number | null
}
type Installing<S extends PartIn['slot']> = { readonly part: PartIn<S>; readonly removedWhy: string }

/**
 * What doing a speed change comes to on a machine as it stands.
 * @param planned the change, the belt it needs (null: the same), and where the motor base comes to stand, mm
 * @param at when it was done, ms since 1970
 * @throws RangeError with words, when what it changes is not on record any more
 */
export function speedChangeDone(
  known: { readonly parts: readonly InstalledPart[]; readonly work: readonly WorkDone[] },
  planned: {
    readonly change: SpeedChange
    readonly newBelt: { readonly section: string; readonly number: number } | null
    readonly center: number | null
  },
  at: number,
): SpeedChangeDone {
  const { change, newBelt, center } = planned
  if (change.kind === 'hertz') return { work: { kind: 'speed-set' }, sheave: null, belts: null, center: null }
  const inPlace = (slot: InstalledPart['slot']) => known.parts.find((p) => p.slot === slot && p.removedAt === null)
  const old = inPlace('belts')
  const belts: SpeedChangeDone['belts'] =
    newBelt && old?.slot === 'belts'
      ? {
          part: { slot: 'belts', spec: { ...old.spec, ...newBelt } },
          removedWhy: 'too short or too long for the new sheave',
        }
      : null
  if (change.kind === 'turns') {
    const before = turnsAt(known.parts, known.work, at)
    if (before === null) throw new RangeError('The motor no longer has an adjustable sheave.')
    const turned = { kind: 'sheave-turned', turns: { before, after: change.turns } } as const
    return { work: turned, sheave: null, belts, center }
  }
  const slot = change.kind === 'motor sheave' ? 'motor-sheave' : 'driven-sheave'
  const replaced = inPlace(slot)
  if (!replaced || !('section' in replaced.spec)) throw new RangeError('That sheave is no longer installed.')
  const grooves = 'grooves' in replaced.spec ? replaced.spec.grooves : 1
  const spec = { type: 'fixed', section: replaced.spec.section, pitch: change.pitch, grooves } as const
  return { work: null, sheave: { part: { slot, spec }, removedWhy: 'changed for another speed' }, belts, center }
}

/** What came of a speed change: the first comparable visit after it, with its mean amps; null: none yet. */
export function measuredAfter(
  visits: readonly Visit[],
  work: readonly WorkDone[],
  doneAt: number,
  phases: 1 | 3,
): { readonly visit: Visit; readonly amps: number } | null {
  const { after } = visitsAround(visits, work, doneAt, phases)
  const amps = after && wholeAmps(after, phases)
  return after && amps !== null ? { visit: after, amps } : null
}

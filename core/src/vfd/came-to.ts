import type { Policies } from '../limits/index.ts'
import { checkSettings, differences, differenceWords, twinDifferences, type PlateForDrive } from './check-settings.ts'
import type { ParameterId, ParameterSet } from './parameters.ts'

/** Settings of a twin fan's drive. */
export interface TwinSettings {
  readonly tag: string
  readonly set: ParameterSet
}

/** What settings came to, as a visit answers it. */
export interface CameTo {
  /** Null: too little is known of them to say that they match. */
  readonly settings: 'match' | 'off' | 'changed' | null
  /** Which, and how; empty where all match. */
  readonly which: string
}

/** A line of text on a visit. */
const longest = 400
const cut = (t: string) => (t.length <= longest ? t : `${t.slice(0, longest - 1)}…`)

/** Settings as they were kept, and why they were not as before. */
export interface KeptSettings {
  readonly set: ParameterSet
  readonly why: string
}

/** What one of the two does not tell has not changed. */
const changes = (from: ParameterSet, to: ParameterSet) =>
  differences(from, to).filter((d) => d.was !== null && d.is !== null)

/**
 * The settings that somebody answers for: a change without a reason stays one, however often it is read since.
 * @param kept the oldest first
 * @returns null where none were kept
 */
export const answeredFor = (kept: readonly KeptSettings[]): ParameterSet | null =>
  kept.reduce<ParameterSet | null>(
    (known, { set, why }) =>
      known && why.trim() === '' && changes(known, set).length > 0 ? known : { ...known, ...set },
    null,
  )

/** What is known of settings by all that were kept, of each the newest. @param kept the oldest first */
export const knownSettings = (kept: readonly KeptSettings[]): ParameterSet =>
  kept.reduce<ParameterSet>((known, { set }) => ({ ...known, ...set }), {})

/** Without these nobody can say that a drive is set right: they protect the motor. */
const protects: readonly ParameterId[] = ['overload-amps', 'plate-amps']

/**
 * What a drive's settings came to: against its nameplate, its twins and what they were last.
 * @param set all that is known of them: one that was not read this time is as it was last, and stays wrong where it was
 * @param last as somebody last answered for them; null where they were never kept
 * @param why why they are not as they were; empty where nobody knows
 */
export function cameTo(
  set: ParameterSet,
  plate: PlateForDrive,
  policies: Policies,
  last: ParameterSet | null,
  why: string,
  twins: readonly TwinSettings[],
): CameTo {
  const lines = checkSettings(set, plate, policies)
  const wrong = lines.flatMap((l) => (l.level === 'fix' ? [l.because] : []))
  const unknown = lines.some((l) => l.level === 'not judged' && protects.includes(l.id))
  const uneven = twins.flatMap(({ tag, set: other }) => {
    const found = twinDifferences(set, other).map(differenceWords)
    return found.length === 0 ? [] : [`Set differently from its twin ${tag}: ${found.join(', ')}.`]
  })
  const changed = last ? changes(last, set).map(differenceWords) : []
  const unexplained = changed.length > 0 && why.trim() === '' ? [`Changed: ${changed.join(', ')}.`] : []
  const all = [...wrong, ...uneven, ...unexplained]
  return {
    settings: wrong.length + uneven.length > 0 ? 'off' : unexplained.length > 0 ? 'changed' : unknown ? null : 'match',
    which: cut(all.join(' ')),
  }
}

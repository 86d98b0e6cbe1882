import { valueOf, type Visit } from '../../trend/index.ts'

/**
 * Does a reading taken at one visit answer what was found running at another? It does in a like state; a reading in the usual
 * state also answers what was found with panels off, filters out or the twin off, but never the other way around.
 * @param found the visit that found it @param now the visit that read it again
 */
export function answersState(found: Visit, now: Visit): boolean {
  if (now.state.settled === false) return false
  const a = found.state
  const b = now.state
  if ((a.mode ?? 'normal') !== (b.mode ?? 'normal')) return false
  if ((b.panels ?? 'on') === 'off' && a.panels !== 'off') return false
  if (b.filters === 'out' && a.filters !== 'out') return false
  // Clean filters load most fans more than dirty ones: what was found on clean ones is not answered on dirty ones.
  if (a.filters === 'clean' && b.filters === 'dirty') return false
  if (b.twin === 'off' && a.twin !== 'off') return false
  const from = valueOf(found.readings, 'hz')
  const to = valueOf(now.readings, 'hz')
  if (from !== undefined && to !== undefined) return to >= from - 1
  // Nobody entered at what output one of the two was read: a low one never answers for the line.
  return to === undefined || to >= 48
}

import type { RoofMap, Spot } from '@motor-round/core/round'
import { distanceFigure, showDistance, type DistanceUnit } from '../../app/distances.ts'
import type { Difference } from '../stale-note/index.ts'

/** What differs between two maps, in words. */
export function mapDifferences(
  mine: RoofMap,
  theirs: RoofMap,
  tagOf: (id: string) => string,
  unit: DistanceUnit,
): Difference[] {
  const size = (p: RoofMap) => `${distanceFigure(p.width, unit)} × ${showDistance(p.depth, unit)}`
  const spot = (b: Spot | undefined) => (b ? `${showDistance(b.x, unit)}, ${showDistance(b.y, unit)}` : 'not there')
  const out: Difference[] = []
  if (size(mine) !== size(theirs)) out.push({ what: 'Size', mine: size(mine), theirs: size(theirs) })
  for (const id of new Set([...Object.keys(mine.units), ...Object.keys(theirs.units)]))
    if (spot(mine.units[id]) !== spot(theirs.units[id]))
      out.push({ what: tagOf(id), mine: spot(mine.units[id]), theirs: spot(theirs.units[id]) })
  for (const [field, of] of [
    ['Access points', (p: RoofMap) => p.hatches],
    ['Ladders', (p: RoofMap) => p.ladders],
    ['Obstacles', (p: RoofMap) => p.obstacles],
    ['Roof edge points', (p: RoofMap) => p.edge],
  ] as const)
    if (JSON.stringify(of(mine)) !== JSON.stringify(of(theirs)))
      out.push({ what: field, mine: String(of(mine).length), theirs: String(of(theirs).length) })
  const under = (p: RoofMap) => (p.underlay ? `${distanceFigure(p.underlay.w, unit).toFixed(1)} ${unit} wide` : 'none')
  if (JSON.stringify(mine.underlay) !== JSON.stringify(theirs.underlay))
    out.push({ what: 'Background photo', mine: under(mine), theirs: under(theirs) })
  return out
}

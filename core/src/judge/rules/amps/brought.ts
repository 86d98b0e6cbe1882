import { practice, type Basis } from '../../../limits/index.ts'
import type { LoadPoint } from '../../../trend/index.ts'
import type { Context } from '../../context.ts'

/** Read at the frequency of this visit, not brought to it. */
export const asRead = (p: LoadPoint): boolean => p.readAtHz === undefined

/** That some of the visits behind a result ran at other frequencies, and how they were brought to this one. */
export function broughtBasis(c: Context): readonly Basis[] {
  const brought = c.past.filter((p) => !asRead(p)).length
  if (brought === 0) return []
  const hz = `${(c.hz ?? 0).toFixed(1)} Hz`
  return [practice(`${brought} of them read at other frequencies: their amps worked out for ${hz} from the nameplate`)]
}

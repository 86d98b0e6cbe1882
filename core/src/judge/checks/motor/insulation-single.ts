import { insulation } from './insulation.ts'
import { cells, type CheckDefinition } from '../check-definition.ts'

/** Single-phase motors have one winding to test. */
export const insulationSingle: CheckDefinition = {
  ...insulation,
  id: 'insulation-single',
  for: (m) => m.phases === 1,
  groups: (m) => [
    { title: 'After one minute', asks: cells('megohms', ['all'], ['All to the shell']) },
    ...insulation.groups(m).slice(1),
  ],
  judges: [],
}

import { practice, type Limit } from './limit.ts'

export const windingEven: Limit = {
  id: 'winding-even',
  title: 'Winding ohms, balanced within',
  value: 0.02,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.005, max: 0.04 },
  means: 'Good windings agree this closely.',
}

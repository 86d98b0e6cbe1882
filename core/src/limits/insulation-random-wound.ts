import { standard, type Limit } from './limit.ts'

export const insulationRandomWound: Limit = {
  id: 'insulation-random-wound',
  title: 'Insulation, random-wound below 1 kV, at least',
  value: 5,
  unit: 'Mohm',
  basis: standard('IEEE 43'),
  house: null,
  means: 'At 40 °C after one minute; below it the winding is wet, dirty or failing.',
}

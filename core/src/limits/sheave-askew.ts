import { practice, type Limit } from './limit.ts'

export const sheaveAskew: Limit = {
  id: 'sheave-askew',
  title: 'Sheave misalignment, fix above',
  value: 0.5,
  unit: 'deg',
  basis: practice('common practice: half a degree for V-belts, a tenth of an inch a foot'),
  house: { min: 0.2, max: 1 },
  means: 'A misaligned belt wears on one side and can come off.',
}

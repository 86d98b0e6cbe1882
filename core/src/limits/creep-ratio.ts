import { practice, type Limit } from './limit.ts'

export const creepRatio: Limit = {
  id: 'creep-ratio',
  title: 'Single-phase start, high amps over settled',
  value: 1.5,
  unit: 'count',
  basis: practice('common practice: 3.8 A before settling at 2 A'),
  house: { min: 1.2, max: 2.5 },
  means: 'A motor that creeps before it settles is too small for its blade, or its capacitor is weak.',
}

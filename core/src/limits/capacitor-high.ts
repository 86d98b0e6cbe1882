import { practice, type Limit } from './limit.ts'

export const capacitorHigh: Limit = {
  id: 'capacitor-high',
  title: 'Capacitor, above its marking by',
  value: 0.1,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.05, max: 0.2 },
  means: 'Above its marking: wrong capacitor or misread.',
}

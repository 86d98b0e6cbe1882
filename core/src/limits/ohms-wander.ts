import { practice, type Limit } from './limit.ts'

export const ohmsWander: Limit = {
  id: 'ohms-wander',
  title: 'Ohms, unsteady above',
  value: 0.05,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.02, max: 0.2 },
  means: 'An unsteady reading is as bad as an open circuit.',
}

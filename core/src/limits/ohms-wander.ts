import { practice, type Limit } from './limit.ts'

export const ohmsWander: Limit = {
  id: 'ohms-wander',
  title: 'Ohms, wander above',
  value: 0.05,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.02, max: 0.2 },
  means: 'A reading that wanders is as bad as an open one.',
}

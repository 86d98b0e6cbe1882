import { practice, type Limit } from './limit.ts'

export const currentUnbalanceStop: Limit = {
  id: 'current-unbalance-stop',
  title: 'Current unbalance, do not run above',
  value: 0.3,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.15, max: 0.5 },
  means: 'A leg is failing.',
}

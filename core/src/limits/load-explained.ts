import { practice, type Limit } from './limit.ts'

export const loadExplained: Limit = {
  id: 'load-explained',
  title: 'Unbalance not explained by the supply, watch above',
  value: 0.05,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.03, max: 0.1 },
  means: 'What the supply does not explain is in the motor or its connections.',
}

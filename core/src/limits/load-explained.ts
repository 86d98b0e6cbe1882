import { practice, type Limit } from './limit.ts'

export const loadExplained: Limit = {
  id: 'load-explained',
  title: 'Unevenness that the supply leaves over, watch above',
  value: 0.05,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.03, max: 0.1 },
  means: 'What the motor circuit does not explain is the motor or its joints.',
}

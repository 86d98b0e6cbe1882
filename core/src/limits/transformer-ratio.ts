import { practice, type Limit } from './limit.ts'

export const transformerRatio: Limit = {
  id: 'transformer-ratio',
  title: 'Transformer ratio, deviation at most',
  value: 0.1,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.05, max: 0.2 },
  means: 'Within it the transformer is healthy and the fault lies elsewhere.',
}

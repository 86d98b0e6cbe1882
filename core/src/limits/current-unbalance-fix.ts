import { practice, type Limit } from './limit.ts'

export const currentUnbalanceFix: Limit = {
  id: 'current-unbalance-fix',
  title: 'Current unbalance, fix above',
  value: 0.1,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.05, max: 0.2 },
  means: 'One winding runs hot for the other two.',
}

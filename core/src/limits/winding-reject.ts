import { practice, type Limit } from './limit.ts'

export const windingReject: Limit = {
  id: 'winding-reject',
  title: 'Winding ohms, unbalanced above',
  value: 0.05,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.03, max: 0.1 },
  means: 'Check the connections first, then suspect the winding.',
}

import { practice, type Limit } from './limit.ts'

export const windingReject: Limit = {
  id: 'winding-reject',
  title: 'Winding ohms, uneven above',
  value: 0.05,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.03, max: 0.1 },
  means: 'Connections first, then the winding is doubted.',
}

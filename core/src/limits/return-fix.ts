import { sitePolicy, type Limit } from './limit.ts'

export const returnFix: Limit = {
  id: 'return-fix',
  title: 'Days until a return visit at level Fix',
  value: 7,
  unit: 'days',
  basis: sitePolicy('within the week'),
  house: { min: 1, max: 60 },
  means: 'A machine at level Fix is due again after this.',
}

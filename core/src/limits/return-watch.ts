import { sitePolicy, type Limit } from './limit.ts'

export const returnWatch: Limit = {
  id: 'return-watch',
  title: 'Days until a return visit at level Watch',
  value: 30,
  unit: 'days',
  basis: sitePolicy('once a month'),
  house: { min: 1, max: 180 },
  means: 'A machine at level Watch is due again after this.',
}

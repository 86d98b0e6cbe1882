import { sitePolicy, type Limit } from './limit.ts'

export const visitInterval: Limit = {
  id: 'visit-interval',
  title: 'Days between visits to a healthy machine',
  value: 92,
  unit: 'days',
  basis: sitePolicy('once a quarter'),
  house: { min: 7, max: 730 },
  means: 'After this a machine is due again.',
}

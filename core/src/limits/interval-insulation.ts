import { sitePolicy, type Limit } from './limit.ts'

export const intervalInsulation: Limit = {
  id: 'interval-insulation',
  title: 'Days between insulation tests',
  value: 365,
  unit: 'days',
  basis: sitePolicy('once a year'),
  house: { min: 30, max: 1500 },
  means: 'After this an insulation test is due.',
}

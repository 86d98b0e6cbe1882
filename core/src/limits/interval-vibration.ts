import { sitePolicy, type Limit } from './limit.ts'

export const intervalVibration: Limit = {
  id: 'interval-vibration',
  title: 'Days between vibration readings',
  value: 365,
  unit: 'days',
  basis: sitePolicy('once a year'),
  house: { min: 30, max: 1500 },
  means: 'After this a vibration reading is due.',
}

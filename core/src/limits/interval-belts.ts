import { sitePolicy, type Limit } from './limit.ts'

export const intervalBelts: Limit = {
  id: 'interval-belts',
  title: 'Days between inspections of belts, bearings and wheel',
  value: 184,
  unit: 'days',
  basis: sitePolicy('twice a year'),
  house: { min: 14, max: 730 },
  means: 'After this the drive train is due for inspection under lockout.',
}

import { sitePolicy, type Limit } from './limit.ts'

export const intervalFilters: Limit = {
  id: 'interval-filters',
  title: 'Days between filter changes without pressure readings',
  value: 92,
  unit: 'days',
  basis: sitePolicy('once a quarter'),
  house: { min: 14, max: 365 },
  means: 'Where the pressure drop is read, the reading decides instead.',
}

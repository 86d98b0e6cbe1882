import { sitePolicy, type Limit } from './limit.ts'

export const trendHorizon: Limit = {
  id: 'trend-horizon',
  title: 'Warn of a trend that reaches the nameplate within',
  value: 365,
  unit: 'days',
  basis: sitePolicy('a year ahead'),
  house: { min: 30, max: 1095 },
  means: 'Time enough to plan the work.',
}

import { sitePolicy, type Limit } from './limit.ts'

export const trendWindow: Limit = {
  id: 'trend-window',
  title: 'Fit the trend over the last',
  value: 730,
  unit: 'days',
  basis: sitePolicy('two years'),
  house: { min: 120, max: 3650 },
  means: 'Older visits of the baseline are shown but not used for the trend, so a late change is seen in time.',
}

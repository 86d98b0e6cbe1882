import { houseRule, type Limit } from './limit.ts'

export const trendWindow: Limit = {
  id: 'trend-window',
  title: 'Fit the trend over the last',
  value: 730,
  unit: 'days',
  basis: houseRule('two years'),
  house: { min: 120, max: 3650 },
  means: 'Older stops of the epoch are shown but not fitted, so that what begins late is seen in time.',
}

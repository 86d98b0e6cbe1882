import { practice, sitePolicy, type Limit } from './limit.ts'

// Change against the usual, and against the twin.

export const changeWatch: Limit = {
  id: 'change-watch',
  title: 'Change against the usual, watch above',
  value: 0.06,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.03, max: 0.2 },
  means: 'More than weather and meter accuracy explain.',
}

export const changeFix: Limit = {
  id: 'change-fix',
  title: 'Change against the usual, fix above',
  value: 0.2,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.1, max: 0.5 },
  means: 'Something broke, slipped or was changed.',
}

export const twinDiffers: Limit = {
  id: 'twin-differs',
  title: 'Load against the twin fan, watch above',
  value: 0.15,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.05, max: 0.4 },
  means: 'Twins on one duct carry alike: a difference is a belt, a wheel, a drive or an air path.',
}

export const trendHorizon: Limit = {
  id: 'trend-horizon',
  title: 'Warn of a trend that reaches the nameplate within',
  value: 365,
  unit: 'days',
  basis: sitePolicy('a year ahead'),
  house: { min: 30, max: 1095 },
  means: 'Time enough to plan the work.',
}

export const trendWindow: Limit = {
  id: 'trend-window',
  title: 'Fit the trend over the last',
  value: 730,
  unit: 'days',
  basis: sitePolicy('two years'),
  house: { min: 120, max: 3650 },
  means: 'Older visits of the baseline are shown but not used for the trend, so a late change is seen in time.',
}

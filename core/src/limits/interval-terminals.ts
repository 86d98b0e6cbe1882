import { sitePolicy, type Limit } from './limit.ts'

export const intervalTerminals: Limit = {
  id: 'interval-terminals',
  title: 'Days between checks of lugs and contacts',
  value: 365,
  unit: 'days',
  basis: sitePolicy('once a year'),
  house: { min: 30, max: 1500 },
  means: 'After this lugs, contacts and capacitors are due for a check under lockout.',
}

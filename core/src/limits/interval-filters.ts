import { houseRule, type Limit } from './limit.ts'

export const intervalFilters: Limit = {
  id: 'interval-filters',
  title: 'Days between filter changes nobody measures',
  value: 92,
  unit: 'days',
  basis: houseRule('once a quarter'),
  house: { min: 14, max: 365 },
  means: 'Where the pressure over them is read, it speaks instead.',
}

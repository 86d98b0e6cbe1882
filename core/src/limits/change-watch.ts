import { practice, type Limit } from './limit.ts'

export const changeWatch: Limit = {
  id: 'change-watch',
  title: 'Change against the usual, watch above',
  value: 0.06,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.03, max: 0.2 },
  means: 'More than weather and meter accuracy explain.',
}

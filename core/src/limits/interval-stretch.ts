import { sitePolicy, type Limit } from './limit.ts'

export const intervalStretch: Limit = {
  id: 'interval-stretch',
  title: 'How far good readings may extend an interval',
  value: 1.5,
  unit: 'ratio',
  basis: sitePolicy('1.5 times, after three steady readings in a row'),
  house: { min: 1, max: 2 },
  means: '1 means never extended.',
}

import { houseRule, type Limit } from './limit.ts'

export const returnWatch: Limit = {
  id: 'return-watch',
  title: 'Days to go back to a machine to watch',
  value: 30,
  unit: 'days',
  basis: houseRule('once a month'),
  house: { min: 1, max: 180 },
  means: 'A machine judged Watch is due again after this.',
}

import { houseRule, type Limit } from './limit.ts'

export const returnFix: Limit = {
  id: 'return-fix',
  title: 'Days to go back to a machine to fix',
  value: 7,
  unit: 'days',
  basis: houseRule('within the week'),
  house: { min: 1, max: 60 },
  means: 'A machine judged Fix is due again after this.',
}

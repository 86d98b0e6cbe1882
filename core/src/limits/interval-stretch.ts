import { houseRule, type Limit } from './limit.ts'

export const intervalStretch: Limit = {
  id: 'interval-stretch',
  title: 'How far good evidence may push a day back, of its interval',
  value: 1.5,
  unit: 'ratio',
  basis: houseRule('half as long again where three readings in a row say so'),
  house: { min: 1, max: 2 },
  means: 'One means never: the interval holds whatever was read.',
}

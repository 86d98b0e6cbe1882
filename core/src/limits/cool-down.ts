import { practice, type Limit } from './limit.ts'

export const coolDown: Limit = {
  id: 'cool-down',
  title: 'Minutes a hot motor cools before it is tested',
  value: 30,
  unit: 'min',
  basis: practice(),
  house: { min: 5, max: 180 },
  means: 'Cooling time for a motor too hot to touch, between lockout and testing.',
}

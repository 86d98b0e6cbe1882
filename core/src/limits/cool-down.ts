import { practice, type Limit } from './limit.ts'

export const coolDown: Limit = {
  id: 'cool-down',
  title: 'Minutes a hot motor cools before it is tested',
  value: 30,
  unit: 'min',
  basis: practice(),
  house: { min: 5, max: 180 },
  means: 'A motor too hot to touch is left so long between locking out and testing.',
}

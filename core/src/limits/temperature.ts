import { practice, type Limit } from './limit.ts'

// Hot surfaces, and cooling down.

export const surfaceHot: Limit = {
  id: 'surface-hot',
  title: 'Motor body, too hot to touch',
  value: 60,
  unit: 'degC',
  basis: practice(),
  house: { min: 50, max: 80 },
  means: 'A small motor this hot is overloaded or not cooled.',
}

export const coolDown: Limit = {
  id: 'cool-down',
  title: 'Minutes a hot motor cools before it is tested',
  value: 30,
  unit: 'min',
  basis: practice(),
  house: { min: 5, max: 180 },
  means: 'Cooling time for a motor too hot to touch, between lockout and testing.',
}

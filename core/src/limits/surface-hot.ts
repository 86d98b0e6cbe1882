import { practice, type Limit } from './limit.ts'

export const surfaceHot: Limit = {
  id: 'surface-hot',
  title: 'Motor body, too hot to touch',
  value: 60,
  unit: 'degC',
  basis: practice(),
  house: { min: 50, max: 80 },
  means: 'A small motor this hot is overloaded or not cooled.',
}

import { practice, type Limit } from './limit.ts'

export const insulationLamp: Limit = {
  id: 'insulation-lamp',
  title: 'Insulation, lamp of a portable tester',
  value: 30,
  unit: 'Mohm',
  basis: practice(),
  house: null,
  means: 'Where a good/bad lamp changes; the number counts, not the lamp.',
}

import { practice, type Limit } from './limit.ts'

export const lostLeg: Limit = {
  id: 'lost-leg',
  title: 'A leg is lost below this share of the other two',
  value: 0.1,
  unit: 'ratio',
  basis: practice(),
  house: null,
  means: 'A leg that carries almost nothing while the others work is open.',
}

import { practice, type Limit } from './limit.ts'

export const farBelowPlate: Limit = {
  id: 'far-below-plate',
  title: 'Amps far below the nameplate, below',
  value: 0.4,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.2, max: 0.7 },
  means: 'Typical of a slipping belt, blocked air or a lost load.',
}

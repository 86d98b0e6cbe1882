import { practice, type Limit } from './limit.ts'

export const insulationFallWatch: Limit = {
  id: 'insulation-fall-watch',
  title: 'Insulation, fall within a year, watch below',
  value: 0.5,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.3, max: 0.8 },
  means: 'A fall to this share means: dry and clean the motor.',
}

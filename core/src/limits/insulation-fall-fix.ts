import { practice, type Limit } from './limit.ts'

export const insulationFallFix: Limit = {
  id: 'insulation-fall-fix',
  title: 'Insulation, fall within a year, fix below',
  value: 0.3333,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.1, max: 0.5 },
  means: 'A fall to this share of last year is a finding even above the minimum.',
}

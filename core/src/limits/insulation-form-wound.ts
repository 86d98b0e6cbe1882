import { standard, type Limit } from './limit.ts'

export const insulationFormWound: Limit = {
  id: 'insulation-form-wound',
  title: 'Insulation, form-wound, at least',
  value: 100,
  unit: 'Mohm',
  basis: standard('IEEE 43'),
  house: null,
  means: 'At 40 °C after one minute, for form-wound coils.',
}

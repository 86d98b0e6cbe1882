import { standard, type Limit } from './limit.ts'

export const polarisationClear: Limit = {
  id: 'polarisation-clear',
  title: 'Polarization index, not meaningful above',
  value: 5000,
  unit: 'Mohm',
  basis: standard('IEEE 43'),
  house: null,
  means: 'Above this one-minute value the index is not meaningful.',
}

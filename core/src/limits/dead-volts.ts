import { practice, type Limit } from './limit.ts'

export const deadVolts: Limit = {
  id: 'dead-volts',
  title: 'Proving dead, nothing above',
  value: 5,
  unit: 'V',
  basis: practice(),
  house: { min: 1, max: 10 },
  means: 'Above it a leg is energized or backfed.',
}

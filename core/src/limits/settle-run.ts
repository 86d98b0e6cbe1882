import { practice, type Limit } from './limit.ts'

export const settleRun: Limit = {
  id: 'settle-run',
  title: 'Minutes a drive train runs before readings are repeated',
  value: 20,
  unit: 'min',
  basis: practice('15 to 30 minutes'),
  house: { min: 5, max: 120 },
  means: 'New belts seat and a new speed settles first; earlier amps do not count.',
}

import { practice, type Limit } from './limit.ts'

export const settleRun: Limit = {
  id: 'settle-run',
  title: 'Minutes a drive train runs before it is read again',
  value: 20,
  unit: 'min',
  basis: practice('15 to 30 minutes'),
  house: { min: 5, max: 120 },
  means: 'New belts seat and a new speed settles; amps read before that are not the proof.',
}

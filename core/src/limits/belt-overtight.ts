import { practice, type Limit } from './limit.ts'

export const beltOvertight: Limit = {
  id: 'belt-overtight',
  title: 'Belt too tight, fix above, of a new belt’s tension',
  value: 1.3,
  unit: 'ratio',
  basis: practice('common practice: a new belt is set to one and a half times a used one, no more'),
  house: { min: 1.05, max: 2 },
  means: 'Bearing life goes with the cube of the pull.',
}

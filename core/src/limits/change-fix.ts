import { practice, type Limit } from './limit.ts'

export const changeFix: Limit = {
  id: 'change-fix',
  title: 'Change against the usual, fix above',
  value: 0.2,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.1, max: 0.5 },
  means: 'Something broke, slipped or was changed.',
}

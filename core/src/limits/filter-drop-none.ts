import { practice, type Limit } from './limit.ts'

export const filterDropNone: Limit = {
  id: 'filter-drop-none',
  title: 'Filter pressure drop, too low below',
  value: 0.03,
  unit: 'inwg',
  basis: practice('common practice'),
  house: null,
  means: 'No air, a torn filter, or a plugged tap.',
}

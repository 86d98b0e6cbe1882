import { practice, type Limit } from './limit.ts'

export const filterDropWatch: Limit = {
  id: 'filter-drop-watch',
  title: 'Filter pressure drop, watch above',
  value: 0.5,
  unit: 'inwg',
  basis: practice('common practice: 2 in pleats, clean 0.15 to 0.35, change at 0.5 to 1.0 in wg; the label governs'),
  house: { min: 0.2, max: 1.5 },
  means: 'Due soon.',
}

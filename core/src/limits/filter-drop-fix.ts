import { practice, type Limit } from './limit.ts'

export const filterDropFix: Limit = {
  id: 'filter-drop-fix',
  title: 'Filter pressure drop, fix above',
  value: 1,
  unit: 'inwg',
  basis: practice('common practice: 2 in pleats, clean 0.15 to 0.35, change at 0.5 to 1.0 in wg; the label governs'),
  house: { min: 0.4, max: 3 },
  means: 'The filters are plugged: airflow and amps are low.',
}

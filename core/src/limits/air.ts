import { practice, type Limit } from './limit.ts'

// Filters.

export const filterDropWatch: Limit = {
  id: 'filter-drop-watch',
  title: 'Filter pressure drop, watch above',
  value: 0.5,
  unit: 'inwg',
  basis: practice('common practice: 2 in pleats, clean 0.15 to 0.35, change at 0.5 to 1.0 in wg; the label governs'),
  house: { min: 0.2, max: 1.5 },
  means: 'Due soon.',
}

export const filterDropFix: Limit = {
  id: 'filter-drop-fix',
  title: 'Filter pressure drop, fix above',
  value: 1,
  unit: 'inwg',
  basis: practice('common practice: 2 in pleats, clean 0.15 to 0.35, change at 0.5 to 1.0 in wg; the label governs'),
  house: { min: 0.4, max: 3 },
  means: 'The filters are plugged: airflow and amps are low.',
}

export const filterDropNone: Limit = {
  id: 'filter-drop-none',
  title: 'Filter pressure drop, too low below',
  value: 0.03,
  unit: 'inwg',
  basis: practice('common practice'),
  house: null,
  means: 'No air, a torn filter, or a plugged tap.',
}

export const fanPressureMost: Limit = {
  id: 'fan-pressure-most',
  title: 'Pressure across a fan, not believed above',
  value: 12,
  unit: 'inwg',
  basis: practice('common practice: fans of buildings stay under 10 in wg'),
  house: { min: 6, max: 40 },
  means: 'Misread, the wrong unit, or a manometer that was not zeroed.',
}

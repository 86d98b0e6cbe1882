import { practice, type Limit } from './limit.ts'

export const inrushLow: Limit = {
  id: 'inrush-low',
  title: 'Inrush below this many times the nameplate',
  value: 3,
  unit: 'count',
  basis: practice(),
  house: null,
  means: 'A three-phase motor that starts so softly is on a drive or soft starter, or was clamped too late.',
}

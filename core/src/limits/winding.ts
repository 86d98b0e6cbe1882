import { practice, type Limit } from './limit.ts'

// Winding ohms.

export const windingEven: Limit = {
  id: 'winding-even',
  title: 'Winding ohms, balanced within',
  value: 0.02,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.005, max: 0.04 },
  means: 'Good windings agree this closely.',
}

export const windingReject: Limit = {
  id: 'winding-reject',
  title: 'Winding ohms, unbalanced above',
  value: 0.05,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.03, max: 0.1 },
  means: 'Check the connections first, then suspect the winding.',
}

export const ohmsWander: Limit = {
  id: 'ohms-wander',
  title: 'Ohms, unsteady above',
  value: 0.05,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.02, max: 0.2 },
  means: 'An unsteady reading is as bad as an open circuit.',
}

export const meterLeadsMost: Limit = {
  id: 'meter-leads-most',
  title: 'Meter leads touched together, not believed above',
  value: 1,
  unit: 'ohm',
  basis: practice('common practice: good leads read 0.1 to 0.5 Ω'),
  house: { min: 0.3, max: 3 },
  means: 'Worn leads or dirty tips: what they take off is not the winding’s.',
}

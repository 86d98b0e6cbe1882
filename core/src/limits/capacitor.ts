import { practice, type Limit } from './limit.ts'

// Run capacitors.

export const capacitorLow: Limit = {
  id: 'capacitor-low',
  title: 'Capacitor, replace below its marking by',
  value: 0.06,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.03, max: 0.15 },
  means: 'A weak capacitor starts the motor badly and overheats the winding.',
}

export const capacitorHigh: Limit = {
  id: 'capacitor-high',
  title: 'Capacitor, above its marking by',
  value: 0.1,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.05, max: 0.2 },
  means: 'Above its marking: wrong capacitor or misread.',
}

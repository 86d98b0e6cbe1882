import { practice, type Limit } from './limit.ts'

export const capacitorLow: Limit = {
  id: 'capacitor-low',
  title: 'Capacitor, replace below its marking by',
  value: 0.06,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.03, max: 0.15 },
  means: 'A weak capacitor starts the motor badly and overheats the winding.',
}

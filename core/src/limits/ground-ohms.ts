import { practice, type Limit } from './limit.ts'

export const groundOhms: Limit = {
  id: 'ground-ohms',
  title: 'Winding to ground on the ohm scale, below',
  value: 100000,
  unit: 'ohm',
  basis: practice(),
  house: null,
  means: 'Anything an ohmmeter can see from a lead to the frame is a fault.',
}

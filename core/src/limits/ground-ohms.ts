import { practice, type Limit } from './limit.ts'

export const groundOhms: Limit = {
  id: 'ground-ohms',
  title: 'Winding to ground on the ohm scale, below',
  value: 100000,
  unit: 'ohm',
  basis: practice(),
  house: null,
  means: 'Any reading on an ohmmeter from a lead to the frame is a fault.',
}

import { practice, type Limit } from './limit.ts'

export const groundAmpsStop: Limit = {
  id: 'ground-amps-stop',
  title: 'Ground-conductor amps, stop above',
  value: 0.1,
  unit: 'A',
  basis: practice(),
  house: { min: 0.03, max: 0.3 },
  means: 'A winding has broken through: cutting that conductor makes the cabinet live.',
}

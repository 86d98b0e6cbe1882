import { standard, type Limit } from './limit.ts'

export const groundAmpsWatch: Limit = {
  id: 'ground-amps-watch',
  title: 'Ground-conductor amps, watch above',
  value: 0.03,
  unit: 'A',
  basis: standard('IEC 60479-1: 30 mA protects people', 'from memory'),
  house: { min: 0.005, max: 0.03 },
  means: 'Nothing should run in the grounding conductor.',
}

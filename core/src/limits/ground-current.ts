import { practice, standard, type Limit } from './limit.ts'

// Current in the grounding conductor.

export const groundAmpsWatch: Limit = {
  id: 'ground-amps-watch',
  title: 'Ground-conductor amps, watch above',
  value: 0.03,
  unit: 'A',
  basis: standard('IEC 60479-1: 30 mA protects people', 'from memory'),
  house: { min: 0.005, max: 0.03 },
  means: 'Nothing should run in the grounding conductor.',
}

export const groundAmpsStop: Limit = {
  id: 'ground-amps-stop',
  title: 'Ground-conductor amps, stop above',
  value: 0.1,
  unit: 'A',
  basis: practice(),
  house: { min: 0.03, max: 0.3 },
  means: 'A winding has broken through: cutting that conductor makes the cabinet live.',
}

export const groundAmpsDrive: Limit = {
  id: 'ground-amps-drive',
  title: 'Ground-conductor amps with a drive, stop above',
  value: 1,
  unit: 'A',
  basis: practice('common practice: drives leak by design, at high frequency'),
  house: { min: 0.3, max: 2 },
  means: 'Drives leak some current by design; this much is a fault.',
}

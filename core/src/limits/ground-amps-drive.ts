import { practice, type Limit } from './limit.ts'

export const groundAmpsDrive: Limit = {
  id: 'ground-amps-drive',
  title: 'Ground-conductor amps with a drive, stop above',
  value: 1,
  unit: 'A',
  basis: practice('common practice: drives leak by design, at high frequency'),
  house: { min: 0.3, max: 2 },
  means: 'Drives leak some current by design; this much is a fault.',
}

import { practice, type Limit } from './limit.ts'

export const proofVolts: Limit = {
  id: 'proof-volts',
  title: 'Meter proven on at least',
  value: 20,
  unit: 'V',
  basis: practice(),
  house: { min: 10, max: 100 },
  means: 'A known source must show on the meter before and after.',
}

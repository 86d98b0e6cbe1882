import { standard, type Limit } from './limit.ts'

export const controlVoltsHigh: Limit = {
  id: 'control-volts-high',
  title: 'Control volts over their rating',
  value: 0.1,
  unit: 'ratio',
  basis: standard('contactor coils stand 110 %', 'from memory'),
  house: { min: 0.05, max: 0.15 },
  means: 'A coil above it overheats and burns out.',
}

import { standard, type Limit } from './limit.ts'

export const controlVolts: Limit = {
  id: 'control-volts',
  title: 'Control volts off their rating, either way',
  value: 0.15,
  unit: 'ratio',
  basis: standard('contactor coils pull in at 85 % and stand 110 %', 'from memory'),
  house: { min: 0.1, max: 0.2 },
  means: 'A coil that chatters burns its contacts.',
}

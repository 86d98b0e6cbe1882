import { standard, type Limit } from './limit.ts'

export const voltsMotorWindow: Limit = {
  id: 'volts-motor-window',
  title: 'Volts off the nameplate, either way',
  value: 0.1,
  unit: 'ratio',
  basis: standard('NEMA MG 1, 12.44'),
  house: null,
  means: 'A motor runs, though not at its best, within this much of its nameplate volts.',
}

import { standard, type Limit } from './limit.ts'

export const voltageUnbalanceStop: Limit = {
  id: 'voltage-unbalance-stop',
  title: 'Voltage unbalance, do not run above',
  value: 0.05,
  unit: 'ratio',
  basis: standard('NEMA MG 1, 14.36'),
  house: null,
  means: 'Above it the motor overheats at any load.',
}

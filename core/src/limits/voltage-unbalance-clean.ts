import { standard, type Limit } from './limit.ts'

export const voltageUnbalanceClean: Limit = {
  id: 'voltage-unbalance-clean',
  title: 'Voltage unbalance, no derating below',
  value: 0.01,
  unit: 'ratio',
  basis: standard('NEMA MG 1, 12.45'),
  house: null,
  means: 'Up to here a motor carries its full load.',
}

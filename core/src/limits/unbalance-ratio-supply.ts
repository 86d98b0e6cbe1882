import { standard, type Limit } from './limit.ts'

export const unbalanceRatioSupply: Limit = {
  id: 'unbalance-ratio-supply',
  title: 'Current unbalance over voltage unbalance, explained by the supply up to',
  value: 10,
  unit: 'count',
  basis: standard('NEMA MG 1, 14.36: six to ten times'),
  house: null,
  means: 'A larger multiple points at the motor or its lugs.',
}

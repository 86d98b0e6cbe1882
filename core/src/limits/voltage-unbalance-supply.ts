import { standard, type Limit } from './limit.ts'

export const voltageUnbalanceSupply: Limit = {
  id: 'voltage-unbalance-supply',
  title: 'Voltage unbalance, supply should not exceed',
  value: 0.03,
  unit: 'ratio',
  basis: standard('ANSI C84.1, informative annex', 'from memory'),
  house: { min: 0.01, max: 0.05 },
  means: 'Above it the supply needs repair.',
}

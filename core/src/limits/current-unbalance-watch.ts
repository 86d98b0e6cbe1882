import { practice, type Limit } from './limit.ts'

export const currentUnbalanceWatch: Limit = {
  id: 'current-unbalance-watch',
  title: 'Current unbalance, watch above',
  value: 0.05,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.02, max: 0.1 },
  means: 'Below it is balanced; above it, find the cause.',
}

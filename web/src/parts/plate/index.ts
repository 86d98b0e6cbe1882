export { PlateCard } from './plate-card.tsx'
export { motorDifferences } from './motor-differences.ts'
export { readCell, writeCell } from './cell-text.ts'

export { PlateCard } from './plate-card.tsx'
export { plateCells } from './cells.ts'
export { readCell, writeCell } from './cell-text.ts'

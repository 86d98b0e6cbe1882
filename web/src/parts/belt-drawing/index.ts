export { BeltDrawing, type BeltWords } from './belt-drawing.tsx'
export type { Pair } from './geometry.ts'

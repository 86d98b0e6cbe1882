export * as show from './format.ts'
export { parseFigure } from './parse-number.ts'
export {
  findQuantity,
  legPositions,
  linePositions,
  neutralPositions,
  quantities,
  type Quantity,
  type QuantityCode,
  type Reading,
} from './quantities.ts'
export { mean, requireMagnitude, requirePositive, type ThreePhase } from './three-phase.ts'
export { convert, findUnit, units, type Dimension, type Unit } from './units.ts'

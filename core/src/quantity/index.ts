export { dayEnds } from './calendar.ts'
export * as show from './format.ts'
export { placeWords } from './place-words.ts'
export { parseFigure } from './parse-number.ts'
export {
  findQuantity,
  gapPositions,
  insulationTimes,
  legPositions,
  linePositions,
  neutralPositions,
  quantities,
  readingHows,
  rollPositions,
  terminalPairs,
  terminalPositions,
  vibrationPositions,
  wirePairs,
  type Quantity,
  type QuantityCode,
  type Reading,
  type ReadingHow,
} from './quantities.ts'
export { allThree, mean, requireMagnitude, requirePositive, three, type ThreePhase } from './three-phase.ts'
export { convert, findUnit, units, type Dimension, type Unit } from './units.ts'
export { figureWords, readingFigure } from './reading-figure.ts'
export { amount, shownUnit, unitIn, unitsOfSite, usUnits, writtenUnit, type ShownUnits } from './shown.ts'

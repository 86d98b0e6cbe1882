export { itemTitle, takes, type FitsOn, type ItemSpec } from './item.ts'
export {
  emptyLevel,
  moveFault,
  moveKinds,
  stockLevels,
  type MoveKind,
  type StockLevel,
  type StockMove,
} from './levels.ts'
export { acceptedRisk, chanceOver, reorder, usualYears, type InService, type Reorder } from './reorder.ts'

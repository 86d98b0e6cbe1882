export { fromShown, inUnits, toShown, type Scaled } from './in-units.ts'

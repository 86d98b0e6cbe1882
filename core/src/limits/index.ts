export {
  defaultHouseRules,
  type BeltTensionSchool,
  type CapacitorPolicy,
  type HouseRules,
  type InsulationSchool,
  type InsulationSystem,
  type OverAmpSchool,
  type TemperatureScale,
} from './house-rules.ts'
export { limitInForce, type LimitInForce } from './in-force.ts'
export { history, houseRule, plateBasis, practice, standard, type Basis, type Limit } from './limit.ts'
export { limitRegister, type LimitId } from './register.ts'
export { schools, type School, type SchoolKey } from './schools.ts'

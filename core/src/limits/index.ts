export { defaultHouseRules, overAmpSchools, type HouseRules, type OverAmpSchool } from './house-rules.ts'
export { limitInForce, type LimitInForce } from './in-force.ts'
export { history, houseRule, plateBasis, practice, standard, type Basis, type Limit } from './limit.ts'
export { limitRegister, type LimitId } from './register.ts'

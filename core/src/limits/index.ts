export {
  defaultPolicies,
  type BeltTensionPolicy,
  type CapacitorPolicy,
  type Policies,
  type InsulationPolicy,
  type InsulationSystem,
  type OverAmpPolicy,
  type TemperatureScale,
} from './policies.ts'
export { limitInForce, type LimitInForce } from './in-force.ts'
export { history, sitePolicy, plateBasis, practice, standard, type Basis, type Limit } from './limit.ts'
export { limitRegister, type LimitId } from './register.ts'
export { policyChoices, type PolicyChoice, type PolicyKey } from './policy-choices.ts'

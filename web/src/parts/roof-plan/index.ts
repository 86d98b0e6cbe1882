export { RoofPlan, type PlanUnit } from './roof-plan.tsx'
export { planDifferences } from './differences.ts'
export { firstFan, planUnits, worstOf } from './units.ts'

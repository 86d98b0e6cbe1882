export { RoofPlan, type PlanUnit } from './roof-plan.tsx'
export { firstFan, planUnits, worstOf } from './units.ts'

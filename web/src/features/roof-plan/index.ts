export { RoofPlanScreen } from './roof-plan-screen.tsx'

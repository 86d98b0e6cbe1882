export { ClosedConditions, Conditions } from './conditions-panel.tsx'

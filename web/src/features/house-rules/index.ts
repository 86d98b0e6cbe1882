export { HouseRulesScreen } from './house-rules.tsx'

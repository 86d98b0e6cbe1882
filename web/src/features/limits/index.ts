export { LimitsScreen } from './limits.tsx'

export { LimitsScreen } from './limits.tsx'
export { People } from './people.tsx'

export { LoadRail } from './load-rail.tsx'
export { railWords, spreadLabels } from './geometry.ts'

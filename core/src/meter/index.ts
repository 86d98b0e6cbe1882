export { clampDemand, ohmsDemand, peak, steadiness, type Demand, type Sample, type Steadiness } from './steady.ts'

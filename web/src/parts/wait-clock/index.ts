export { WaitClock } from './wait-clock.tsx'

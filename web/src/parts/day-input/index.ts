export { DayInput, DayTimeInput } from './day-input.tsx'

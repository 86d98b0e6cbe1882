export { SpeedBenchScreen } from './speed-bench-screen.tsx'
export { changeWords, turnsWords } from './words.ts'
export { workWords } from './work-words.ts'

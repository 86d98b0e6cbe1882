export { SpeedChangeScreen } from './speed-change-screen.tsx'
export { changeWords, turnsWords } from './words.ts'
export { workWords } from './work-words.ts'

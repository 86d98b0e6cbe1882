export { MachineScreen } from './machine-screen.tsx'
export { useJudging } from './use-judging.ts'
export { Verdicts } from './verdicts.tsx'

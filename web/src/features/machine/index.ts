export { MachineScreen } from './machine-screen.tsx'
export { Verdicts } from './verdicts.tsx'

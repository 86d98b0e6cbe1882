export { CommissioningScreen } from './commissioning-screen.tsx'
export { VfdScreen } from './vfd-screen.tsx'

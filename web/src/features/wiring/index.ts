export { WiringScreen } from './wiring-screen.tsx'

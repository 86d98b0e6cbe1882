export { StopScreen } from './stop-screen.tsx'

export { VisitScreen } from './visit-screen.tsx'

export { VisitScreen } from './visit-screen.tsx'
export { CheckFigures } from './check-figures.tsx'

export { ReportsScreen } from './reports-screen.tsx'

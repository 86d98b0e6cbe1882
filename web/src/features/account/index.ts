export { AccountScreen } from './account-screen.tsx'

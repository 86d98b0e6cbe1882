export { PhoneScreen } from './phone-screen.tsx'

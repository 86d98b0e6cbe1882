export { AreaAirScreen } from './area-air-screen.tsx'

export { RoofMapScreen } from './roof-map-screen.tsx'

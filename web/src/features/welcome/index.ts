export { Welcome } from './welcome.tsx'

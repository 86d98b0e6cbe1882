export { Keys } from './keys.tsx'

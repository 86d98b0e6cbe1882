export { Facts } from './facts.tsx'

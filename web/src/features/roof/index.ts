export { Roof } from './roof.tsx'

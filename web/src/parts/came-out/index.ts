export { CameOut } from './came-out.tsx'

export { PageError } from './page-error.tsx'
export { SafePart } from './safe-part.tsx'

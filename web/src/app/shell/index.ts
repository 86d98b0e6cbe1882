export { Shell } from './shell.tsx'
export { usePerson, useMay } from './person.ts'

export { StaleNote, type Difference } from './stale-note.tsx'

export { Choice } from './choice.tsx'
export { Field } from './field.tsx'
export { StaleNote, type Difference } from './stale-note.tsx'
export { FailureNote } from './failure-note.tsx'

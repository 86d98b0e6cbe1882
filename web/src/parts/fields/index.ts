export { Choice } from './choice.tsx'
export { Field } from './field.tsx'
export { FailureNote } from './failure-note.tsx'

export { FormField } from './form-field.tsx'

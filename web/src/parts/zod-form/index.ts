export { useStillNeeded, ZodField, ZodForm } from './zod-form.tsx'

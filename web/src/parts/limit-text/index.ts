export { shownLimit, typedLimit } from './limit-text.ts'

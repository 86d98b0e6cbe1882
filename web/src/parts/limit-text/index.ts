export { limitWords, shownLimit, typedLimit } from './limit-text.ts'

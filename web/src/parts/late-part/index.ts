export { lazyPart, screenOf } from './late-part.tsx'

export { WalkLine, type WalkMark } from './walk-line.tsx'

export { LevelMark, levelWords } from './level-mark.tsx'

export { Code } from './code.tsx'
export { TagsScreen } from './tags-screen.tsx'

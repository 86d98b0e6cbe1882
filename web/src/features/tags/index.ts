export { TagsScreen } from './tags-screen.tsx'

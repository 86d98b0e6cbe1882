export { LiveScreen } from './live-screen.tsx'
export { SourcesScreen } from './sources-screen.tsx'

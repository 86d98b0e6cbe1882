export { JobScreen } from './job-screen.tsx'
export { NewJob } from './new-job.tsx'
export { JobsPanel } from './jobs-panel.tsx'
export { JobsScreen } from './jobs-screen.tsx'

export { FirstRun } from './first-run.tsx'

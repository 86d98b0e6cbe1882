export { TraceScreen } from './trace-screen.tsx'
export { StartTrace } from './start-trace.tsx'

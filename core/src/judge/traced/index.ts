export type { OpenTrace, Traced, TracedResult } from './found.ts'
export { meaningful, meaningOf, trippedAgain } from './meanings.ts'
export { findsOf, openTraces, type TracedFind } from './traced.ts'

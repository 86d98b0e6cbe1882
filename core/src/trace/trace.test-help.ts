import type { Feature, Result } from './index.ts'

/** Results as they are written in a line: `spin=free ohms3=even`. */
export const resultsIn = (text: string): Result[] =>
  text.split(' ').map((r): Result => [r.split('=')[0] ?? '', r.split('=')[1] ?? ''])
export const fanOf = (...features: Feature[]): ReadonlySet<Feature> => new Set(features)
export const fan = fanOf('three-phase', 'belt', 'contactor', 'overload relay')

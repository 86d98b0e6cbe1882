export * from './lives.ts'
export * from './parts.ts'
export * from './drive-at.ts'
export * from './work-of.ts'

export * from './finding.ts'

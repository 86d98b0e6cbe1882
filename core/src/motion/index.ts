export * from './sound.ts'
export * from './unbalance.ts'
export * from './vibration.ts'
export * from './pluck.ts'

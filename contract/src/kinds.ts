import { z } from './z.ts'

export const unitKinds = ['RTU', 'AHU', 'MAU', 'EF', 'FCU', 'condenser', 'other'] as const
export const areaKind = z.enum(['roof', 'room'])

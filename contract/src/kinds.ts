import { z } from 'zod'

export const unitKinds = ['RTU', 'AHU', 'MAU', 'EF', 'FCU', 'condenser', 'other'] as const
export const areaKind = z.enum(['roof', 'room'])

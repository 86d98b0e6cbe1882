import type { Policies } from './policies.ts'
import type { Basis } from './limit.ts'
import { limitRegister, type LimitId } from './register.ts'

/** A limit as this house applies it: its own value where one is set within the bounds, else the published one. */
export interface LimitInForce {
  readonly id: LimitId
  readonly value: number
  readonly basis: Basis
}

/** @returns the value to judge by and the basis to show beside it */
export function limitInForce(id: LimitId, policies: Policies): LimitInForce {
  const limit = limitRegister[id]
  const own = policies.limits[id]
  if (own === undefined || limit.house === null || own < limit.house.min || own > limit.house.max)
    return { id, value: limit.value, basis: limit.basis }
  return {
    id,
    value: own,
    basis: { kind: 'site policy', text: `our limit: ${limit.title.toLowerCase()}`, sure: 'certain' },
  }
}

import { sessionEndpoints } from './session-endpoints.ts'
import { registerEndpoints } from './register-endpoints.ts'
import { visitEndpoints } from './visit-endpoints.ts'
import { policyEndpoints } from './policy-endpoints.ts'
import { roundEndpoints } from './round-endpoints.ts'

/** Addresses of the API, by its feature: what a phone holds from its first load on. */
export const endpoints = {
  ...sessionEndpoints,
  ...registerEndpoints,
  ...visitEndpoints,
  ...policyEndpoints,
  ...roundEndpoints,
}

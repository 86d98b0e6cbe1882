import { accountEndpoints } from './account-endpoints.ts'
import { fileEndpoints } from './file-endpoints.ts'
import { jobEndpoints } from './job-endpoints.ts'
import { liveEndpoints } from './live-endpoints.ts'
import { mailEndpoints } from './mail-endpoints.ts'
import { policyEndpoints } from './policy-endpoints.ts'
import { portfolioEndpoints } from './portfolio.ts'
import { registerEndpoints } from './register-endpoints.ts'
import { roundEndpoints } from './round-endpoints.ts'
import { sessionEndpoints } from './session-endpoints.ts'
import { stockEndpoints } from './stock-endpoints.ts'
import { tableEndpoints } from './table-endpoints.ts'
import { vfdEndpoints } from './vfd-endpoints.ts'
import { visitEndpoints } from './visit-endpoints.ts'

/**
 * Every endpoint of the API, by its feature. A browser asks by `addresses` and takes of this its types alone: what is checked at either
 * end is heavy, and its first load goes without.
 */
export const endpoints = {
  ...sessionEndpoints,
  ...accountEndpoints,
  ...registerEndpoints,
  ...visitEndpoints,
  ...policyEndpoints,
  ...roundEndpoints,
  ...jobEndpoints,
  ...stockEndpoints,
  ...tableEndpoints,
  ...fileEndpoints,
  ...mailEndpoints,
  ...portfolioEndpoints,
  ...vfdEndpoints,
  ...liveEndpoints,
}
export type Endpoints = typeof endpoints
